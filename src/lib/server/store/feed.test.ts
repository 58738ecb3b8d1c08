/** What follows a session, on a log of which the test says what is in it, and when a read of it is answered. */
import { expect, describe, it } from 'vitest';
import type { Report } from '../../core/protocol/report';
import { MemoryFollowedLog, reportOf } from '../../../../testing/followed-log';
import { Feed, type FeedMessage } from './feed';

/** Each of two events. */
const report = (first: number) => reportOf(first, 2);
const reports = (count: number, from = 1) => Array.from({ length: count }, (_, n) => report(from + 2 * n));

function following(after: number, reports: Report[], room = Infinity) {
  const log = new MemoryFollowedLog('s', reports);
  const said: (number | string)[] = [];
  const failures: unknown[] = [];
  const outlet = {
    room,
    send: (message: FeedMessage) => {
      said.push(...(message.type === 'stored' ? message.reports.map(({ first }) => first) : [message.type]));
      return said.length < outlet.room;
    },
    failed: (error: unknown) => failures.push(error),
  };
  const feed = new Feed(log, 's', after, outlet);
  const settled = async () => {
    for (let n = 0; n < 12; n += 1) await new Promise((resolve) => setImmediate(resolve));
  };
  return { log, said, failures, outlet, feed, settled };
}

describe('a feed', () => {
  it('says nothing before it is asked to, then what is there, page by page', async () => {
    const { log, said, feed, settled } = following(0, reports(250));
    await settled();
    expect(said).toEqual([]);
    feed.resume();
    await settled();
    expect(said).toEqual(reports(250).map(({ first }) => first));
    expect(log.reads).toEqual([
      [0, 100],
      [200, 100],
      [400, 100],
    ]);
  });

  it('passes on what is told without reading it again, and nothing twice', async () => {
    const { log, said, feed, settled } = following(2, reports(1));
    feed.resume();
    await settled();
    const before = log.reads.length;
    log.write(...reports(2, 3));
    await settled();
    log.write(report(7));
    await settled();
    log.publisher.tell('s', [report(5)]);
    feed.resume();
    await settled();
    expect(said).toEqual([3, 5, 7]);
    expect(log.reads).toHaveLength(before);
  });

  it.each([
    ['what was read of other servers comes late', [1, 3], [5, 3, 5]],
    ['what another server wrote between is not read yet', [], [1, 5]],
    ['only what came later was told', [], [5]],
    ['what came later is told first', [], [3, 1]],
  ])('leaves no gap and repeats nothing where %s', async (_, before, told) => {
    const { log, said, feed, settled } = following(0, []);
    feed.resume();
    await settled();
    log.reports.push(...reports(3));
    for (const list of [before, told]) {
      // Gathered, and heard in one go.
      for (const first of list) log.publisher.tell('s', [report(first)]);
      await settled();
    }
    expect(said).toEqual([1, 3, 5]);
  });

  it('sends no more than is read, and goes on from there', async () => {
    const { log, said, outlet, feed, settled } = following(0, reports(5), 2);
    feed.resume();
    await settled();
    log.write(report(11));
    await settled();
    expect(said).toEqual([1, 3]);
    outlet.room = 5;
    feed.resume();
    await settled();
    expect(said).toEqual([1, 3, 5, 7, 9]);
    outlet.room = Infinity;
    feed.resume();
    await settled();
    expect(said).toEqual([1, 3, 5, 7, 9, 11]);
  });

  it('looks again where there may be more', async () => {
    const { log, said, feed, settled } = following(2, reports(1));
    feed.resume();
    await settled();
    log.reports.push(report(3));
    log.publisher.tellMore('s');
    await settled();
    expect(said).toEqual([3]);
  });

  it.each<[string, number, Report[], number]>([
    ['what comes next is not kept any more', 2, reports(1, 5), 6],
    ['the log ends before it', 9, reports(1), 2],
    ['nothing is kept of what came after it', 2, [], 6],
  ])('asks for a load afresh where %s, and says nothing more', async (_, after, kept, last) => {
    const { log, said, feed, settled } = following(after, kept);
    log.last = async () => Promise.resolve(last);
    feed.resume();
    await settled();
    log.publisher.tellGone('s');
    expect(said).toEqual(['afresh']);
    expect(log.publisher.followed).toEqual([]);
  });

  it('goes on where something was written between its two looks at the end', async () => {
    const { log, said, feed, settled } = following(0, []);
    log.last = async () => {
      if (log.reports.length === 0) log.reports.push(report(1));
      return Promise.resolve(2);
    };
    feed.resume();
    await settled();
    expect(said).toEqual([1]);
  });

  it.each(['told', 'found out'])('says once that the session is gone: %s', async (how) => {
    const { log, said, feed, settled } = following(0, []);
    if (how === 'found out') log.last = async () => Promise.resolve(null);
    else log.publisher.tellGone('s');
    feed.resume();
    await settled();
    log.publisher.tellGone('s');
    expect(said).toEqual(['gone']);
  });

  it('ends with the error where the log cannot be read', async () => {
    const { log, said, failures, feed, settled } = following(0, []);
    const error = new Error('no');
    log.after = async () => Promise.reject(error);
    feed.resume();
    await settled();
    expect(failures).toEqual([error]);
    log.publisher.tellGone('s');
    expect(said).toEqual([]);
  });

  it('that is closed says nothing more, not even what was being read', async () => {
    const { log, said, feed, settled } = following(0, reports(3));
    feed.resume();
    feed.close();
    await settled();
    feed.resume();
    await settled();
    expect(said).toEqual([]);
    expect(log.reads).toHaveLength(1);
  });
});
