import { afterEach, expect, it, vi } from 'vitest';
import { Publisher, type News } from './publisher';
import { Subscribers } from './subscribers';

afterEach(() => {
  vi.useRealTimers();
  vi.restoreAllMocks();
});

it('a subscriber that fails keeps no other from hearing; one that left hears nothing', () => {
  const said = vi.spyOn(console, 'error').mockReturnValue();
  const subscribers = new Subscribers<string>();
  const heard: string[] = [];
  const failure = new Error('no');
  subscribers.subscribe('a', () => {
    throw failure;
  });
  const leave = [1, 2].map((n) => subscribers.subscribe('a', (message) => heard.push(`${n} ${message}`)));
  subscribers.subscribe('b', (message) => heard.push(message));
  subscribers.publish('a', 'x');
  leave[0]?.();
  subscribers.publish('a', 'y');
  subscribers.publish('c', 'z');
  expect(heard).toEqual(['1 x', '2 x', '2 y']);
  expect(said.mock.calls).toEqual([1, 2].map(() => ['A subscriber failed:', failure]));
  expect([subscribers.topics, subscribers.count('a'), subscribers.count('c')]).toEqual([['a', 'b'], 2, 0]);
});

it('a topic that everybody left is none any more', () => {
  const subscribers = new Subscribers<string>();
  const leave = [1, 2].map(() => subscribers.subscribe('a', () => undefined));
  leave[0]?.();
  expect(subscribers.topics).toEqual(['a']);
  leave[1]?.();
  expect([subscribers.topics, subscribers.count('a')]).toEqual([[], 0]);
});

const report = (first: number) => ({ batch: null, first, events: [], settles: null });

it.each([
  ['each turn of the event loop by few', 20, 0, 1],
  ['what twenty milliseconds brought by more than twenty', 21, 19, 2],
])('is heard in one go: %s', (_, listeners, milliseconds, together) => {
  vi.useFakeTimers();
  const publisher = new Publisher();
  const heard: News[] = [];
  for (let n = 1; n < listeners; n += 1) publisher.subscribe('s', () => undefined);
  publisher.subscribe('s', (news) => heard.push(news));
  publisher.tell('s', [report(1)]);
  expect(heard).toEqual([]);
  vi.advanceTimersByTime(milliseconds);
  publisher.tell('s', [report(2)]);
  vi.advanceTimersByTime(30);
  const both = [report(1), report(2)];
  expect(heard).toEqual(together === 2 ? [both] : [both.slice(0, 1), both.slice(1)]);
  publisher.tellMore('s');
  publisher.tellGone('s');
  publisher.tellGone('other');
  expect(heard.slice(-2)).toEqual(['more', 'gone']);
  expect([publisher.followed, publisher.isFollowed('s'), publisher.isFollowed('other')]).toEqual([
    ['s'],
    true,
    false,
  ]);
});
