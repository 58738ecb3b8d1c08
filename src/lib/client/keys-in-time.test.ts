import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { ArrivedKey } from '../core/keys/key-input';
import { KeysInTime } from './keys-in-time';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

/** A page that knows of some windows, and the keys that it took. */
function page(...known: string[]) {
  const pressed: string[] = [];
  const keys = new KeysInTime({ follows: (front) => known.includes(front) }, ({ code }) =>
    pressed.push(code),
  );
  const hear = (code: string, front: string | null) =>
    keys.hear({ type: 'key', key: { code } as ArrivedKey, front });
  return { keys, known, pressed, hear };
}

it('a key about what the page knows is pressed at once, and one about no window too', () => {
  const { hear, pressed } = page('a1');
  hear('KeyS', 'a1');
  hear('KeyD', null);
  expect(pressed).toEqual(['KeyS', 'KeyD']);
});

it('one about what the page has not heard of waits for it, and all that follow wait behind it', () => {
  const { hear, keys, known, pressed } = page('a1');
  hear('KeyS', 'b1');
  hear('MetaLeft', 'a1');
  keys.look();
  expect(pressed).toEqual([]);
  known.push('b1');
  keys.look();
  expect(pressed).toEqual(['KeyS', 'MetaLeft']);
  vi.runAllTimers();
  expect(pressed).toHaveLength(2);
});

it('they do not wait for ever', () => {
  const { hear, pressed } = page('a1');
  hear('KeyS', 'b1');
  vi.advanceTimersByTime(249);
  expect(pressed).toEqual([]);
  vi.advanceTimersByTime(1);
  expect(pressed).toEqual(['KeyS']);
  hear('KeyD', 'b1');
  expect(pressed).toEqual(['KeyS']);
});
