import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { DONE, type Report } from '../../core/protocol/report';
import { NewsHub, type StreamListener } from './hub';
import type { Followed, News } from './messages';

interface OpenedStream {
  readonly followed: readonly Followed[];
  readonly listener: StreamListener;
  closed: boolean;
}

let streams: OpenedStream[];
let hub: NewsHub;

beforeEach(() => {
  vi.useFakeTimers();
  streams = [];
  hub = new NewsHub((followed, listener) => {
    const stream: OpenedStream = { followed, listener, closed: false };
    streams.push(stream);
    return () => (stream.closed = true);
  });
});
afterEach(() => void vi.useRealTimers());

const open = () => streams.filter((stream) => !stream.closed);
const stored = (first: number, count = 1): Report => ({
  settles: DONE,
  batch: `b${first}`,
  first,
  events: Array.from({ length: count }, () => ({ type: 'choices-forgotten', choice: null })),
});

function reader(session: string, after = 0) {
  const heard: News[] = [];
  const leave = hub.follow({ session, after }, (news) => heard.push(news));
  return { heard, leave };
}

describe('the hub', () => {
  it('needs one stream for twenty pages', () => {
    const readers = Array.from({ length: 20 }, (_, n) => reader(`s${n % 7}`, n));
    vi.runOnlyPendingTimers();
    expect(open()).toHaveLength(1);
    // Each session once, after what its slowest reader knows.
    expect(open()[0]?.followed).toHaveLength(7);
    expect(open()[0]?.followed.find(({ session }) => session === 's3')?.after).toBe(3);
    open()[0]?.listener.stored('s3', stored(4));
    expect(readers.filter(({ heard }) => heard.length > 0)).toHaveLength(3);
  });

  it('listens anew for who joins, from where each one is, without letting anyone believe the server is gone', () => {
    const first = reader('a', 5);
    vi.runOnlyPendingTimers();
    open()[0]?.listener.stored('a', stored(6, 3));
    const second = reader('b', 1);
    vi.runOnlyPendingTimers();
    expect(open()).toHaveLength(1);
    expect(open()[0]?.followed).toEqual([
      { session: 'a', after: 8 },
      { session: 'b', after: 1 },
    ]);
    streams[0]?.listener.failed();
    expect(first.heard.map(({ type }) => type)).toEqual(['stored']);
    second.leave();
    vi.runOnlyPendingTimers();
    expect(open()[0]?.followed.map(({ session }) => session)).toEqual(['a']);
  });

  it('comes back by itself after a failure, from where its readers are, ever more patiently', () => {
    const { heard } = reader('a', 0);
    vi.runOnlyPendingTimers();
    open()[0]?.listener.opened();
    open()[0]?.listener.stored('a', stored(1));
    const waits: number[] = [];
    for (let n = 0; n < 6; n += 1) {
      const before = Date.now();
      streams.at(-1)?.listener.failed();
      vi.advanceTimersToNextTimer();
      waits.push(Date.now() - before);
      expect(streams.at(-1)?.followed).toEqual([{ session: 'a', after: 1 }]);
    }
    expect(waits).toEqual([250, 500, 1_000, 2_000, 4_000, 4_000]);
    streams.at(-1)?.listener.opened();
    expect(heard.map(({ type }) => type).filter((type) => type !== 'unheard')).toEqual([
      'heard',
      'stored',
      'heard',
    ]);
  });

  it('tells the readers of a session that is gone, and follows it no more', () => {
    const { heard } = reader('a');
    reader('b');
    vi.runOnlyPendingTimers();
    open()[0]?.listener.ended('a', 'gone');
    expect(heard).toEqual([{ type: 'gone' }]);
    open()[0]?.listener.failed();
    vi.runOnlyPendingTimers();
    expect(open()[0]?.followed.map(({ session }) => session)).toEqual(['b']);
  });

  it('keeps no stream open for nobody', () => {
    const { leave } = reader('a');
    vi.runOnlyPendingTimers();
    leave();
    vi.runOnlyPendingTimers();
    expect(open()).toEqual([]);
  });

  it('shares more sessions than a stream may have among several', () => {
    for (let n = 0; n < 60; n += 1) reader(`s${n}`);
    vi.runOnlyPendingTimers();
    expect(open().map(({ followed }) => followed.length)).toEqual([50, 10]);
  });
});
