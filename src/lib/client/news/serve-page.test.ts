import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Followed, FromPage, ToPage } from './messages';
import { ASKED_EVERY_MS, servePage, type Port } from './serve-page';

const followed: Followed = { session: 's', after: 4 };
let open: Followed[];
let told: ToPage['type'][];
let port: Port;
const say = (message: FromPage) => port.onmessage?.({ data: message } as MessageEvent<FromPage>);
const pass = (times: number) => vi.advanceTimersByTime(times * ASKED_EVERY_MS);

beforeEach(() => {
  vi.useFakeTimers();
  open = [];
  told = [];
  port = { onmessage: null, postMessage: ({ type }) => void told.push(type) };
  servePage(port, {
    follow(one) {
      open.push(one);
      return () => void open.splice(open.indexOf(one), 1);
    },
  });
  say({ type: 'follow', ...followed });
});
afterEach(() => void vi.useRealTimers());

describe('a page that the worker listens for', () => {
  it('is listened for once as long as it answers', () => {
    for (let n = 0; n < 5; n += 1) {
      pass(1);
      say({ type: 'here', session: 's', after: 9 });
    }
    expect(told).toEqual(Array(5).fill('still-there'));
    expect(open).toEqual([followed]);
  });

  it('is listened for no more once it is silent, and again from where it is if it was only asleep', () => {
    pass(2);
    expect(open).toEqual([]);
    say({ type: 'here', session: 's', after: 6 });
    expect(open).toEqual([{ session: 's', after: 6 }]);
    pass(1);
    say({ type: 'here', session: 's', after: 6 });
    pass(1);
    expect(open).toHaveLength(1);
  });

  it('is neither listened for nor asked after it has left, until it comes back', () => {
    say({ type: 'leave' });
    expect(open).toEqual([]);
    pass(3);
    expect(told).toEqual([]);
    say({ type: 'follow', session: 's', after: 7 });
    expect(open).toEqual([{ session: 's', after: 7 }]);
  });

  it('may follow something else', () => {
    say({ type: 'follow', session: 'other', after: 0 });
    expect(open).toEqual([{ session: 'other', after: 0 }]);
  });
});
