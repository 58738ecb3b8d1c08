import { expect, it, vi } from 'vitest';
import { MemoryFollowedLog, reportOf } from '../../../../testing/followed-log';
import { NewsOfOthers } from './news-of-others';
import type { News } from './publisher';

const reports = (first: number, last: number) =>
  Array.from({ length: last - first + 1 }, (_, n) => reportOf(first + n, 1));

function following(last: number) {
  const log = new MemoryFollowedLog('s', reports(1, last));
  const heard: (number | string)[] = [];
  const hear = (news: News) =>
    heard.push(...(typeof news === 'string' ? [news] : news.map(({ first }) => first)));
  const leave = log.publisher.subscribe('s', hear);
  const told = () => new Promise((resolve) => setImmediate(resolve));
  return { log, heard, leave, hear, told, news: new NewsOfOthers(log) };
}

it('is read from where it was written, and told to those who follow', async () => {
  const { log, heard, news, told } = following(5);
  await news.wrote('s', 4);
  await told();
  expect(heard).toEqual([4, 5]);
  expect(log.reads).toEqual([[3, 100]]);
});

it('is read once, however often others tell of it while it is read and after, and goes on where more came', async () => {
  const { log, heard, news, told } = following(5);
  const reading = [4, 5, 6].map((first) => news.wrote('s', first));
  log.reports.push(...reports(6, 7));
  await Promise.all(reading);
  await news.wrote('s', 7);
  await news.wrote('s', 5);
  await told();
  expect(heard).toEqual([4, 5, 6, 7]);
  expect(log.reads.map(([after]) => after)).toEqual([3, 5]);
});

it('is read no further than was told, even where nothing is there, and from where it goes on later', async () => {
  const { log, heard, news, told } = following(2);
  await news.wrote('s', 3);
  log.reports.push(...reports(3, 9));
  await news.wrote('s', 8);
  await told();
  expect(heard).toEqual([8, 9]);
  expect(log.reads.map(([after]) => after)).toEqual([2, 7]);
});

it('is read to its end where one statement wrote more than is read at once', async () => {
  const { log, heard, news, told } = following(250);
  await news.wrote('s', 1);
  await told();
  expect(heard).toHaveLength(250);
  expect(log.reads.map(([after]) => after)).toEqual([0, 100, 200]);
});

it('is not read while nobody follows, and afresh when somebody does again', async () => {
  const { log, heard, leave, hear, news, told } = following(2);
  await news.wrote('s', 2);
  await told();
  leave();
  await news.wrote('s', 2);
  expect(log.reads).toHaveLength(1);
  log.publisher.subscribe('s', hear);
  await news.wrote('s', 2);
  news.forget('s');
  await news.wrote('s', 2);
  await told();
  expect(log.reads).toHaveLength(3);
  expect(heard).toEqual([2, 2, 2]);
});

it('is left to those who follow where it cannot be read, and read again the next time', async () => {
  const { log, heard, news, told } = following(2);
  const reading = vi.spyOn(log, 'after').mockRejectedValue(new Error('no'));
  await news.wrote('s', 2);
  reading.mockRestore();
  await news.wrote('s', 2);
  await told();
  expect(heard).toEqual(['more', 2]);
});
