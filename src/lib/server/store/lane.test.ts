/** One session's way into the log, which is in memory here. */
import { afterEach, describe, expect, it, vi } from 'vitest';
import { batchOf, flip } from '../../../../testing/batches';
import { liveSession } from '../../../../testing/late-host';
import { MemoryLog } from '../../../../testing/memory-log';
import { sessionOf } from '../../../../testing/sessions';
import type { Batch } from '../../core/commands/commands';
import { decide } from '../../core/host/decide';
import type { Session } from '../../core/session/session';
import { Unavailable } from '../database/trouble';
import { Lane } from './lane';
import { digestOf } from './log-row';
import { BUDGET_MS } from './planning';

afterEach(() => void vi.restoreAllMocks());

function lane(session: Session = sessionOf('a: a1 a2 | b: b1'), decideOne = decide) {
  const log = new MemoryLog(session, decideOne);
  const idle = vi.fn();
  const way = new Lane('s', log, idle);
  const append = (batch: Batch) => way.append(batch, digestOf(batch));
  /** What came of several batches that came at once: the number of the first event, or what else. */
  const outcomes = async (batches: readonly Batch[]) => {
    const settled = await Promise.allSettled(batches.map(append));
    return settled.map((one) => {
      if (one.status === 'rejected') return one.reason as Error;
      return one.value.kind === 'appended' ? one.value.report.first : one.value.kind;
    });
  };
  return { log, idle, way, append, outcomes };
}

/** Each of them brings about one event. */
const flips = (count: number) => Array.from({ length: count }, (_, n) => flip(n % 2 ? 'a1' : 'b1'));
const upTo = (count: number) => Array.from({ length: count }, (_, n) => n + 1);
/** What cannot be stored, for a reason of its own. */
const broken = new Error('It broke.');
const gone = Object.assign(new Error('The connection was lost.'), { code: 'ECONNRESET' });

describe('a lane', () => {
  it('stores what comes meanwhile together, sixty-four at a time, and says so once', async () => {
    const { log, idle, outcomes, way } = lane();
    expect(await outcomes(flips(131))).toEqual(upTo(131));
    expect(log.statements).toEqual([1, 64, 64, 2]);
    expect(log.told.map(({ before, after, reports }) => [before, after, reports.length])).toEqual([
      [0, 1, 1],
      [1, 65, 64],
      [65, 129, 64],
      [129, 131, 2],
    ]);
    await way.drained();
    expect(idle).toHaveBeenCalledOnce();
  });

  it('takes as many as may wait, and no more', async () => {
    const { outcomes } = lane();
    const answers = await outcomes(flips(258));
    expect(answers.slice(0, -1)).toEqual(upTo(257));
    expect(answers.at(-1)).toEqual(new Unavailable('Too many batches wait for this session.'));
  });

  it('is drained once nothing is under way, and takes more then', async () => {
    const { append, way, log } = lane();
    const answers = Promise.all(flips(3).map(append));
    await way.drained();
    expect(log.statements).toEqual([1, 2]);
    await answers;
    await way.drained();
    expect(await append(flip('a1'))).toMatchObject({ kind: 'appended', report: { first: 4 } });
  });

  it('says with each report what made someone wish it, where that is known', async () => {
    const { append, log } = lane();
    await append({ ...flip('b1'), origin: 'search' });
    await append(flip('a1'));
    expect(log.told.flatMap(({ reports }) => reports)).toEqual([
      expect.objectContaining({ origin: 'search' }),
      expect.not.objectContaining({ origin: undefined }),
    ]);
    expect(log.rows.map(({ origin }) => origin)).toEqual(['search', null]);
  });

  it('answers one that comes twice at the same moment twice, and stores it once', async () => {
    const { append, log } = lane();
    const batch = flip('b1');
    const answers = await Promise.all([flip('a2'), batch, flip('a1'), batch, flip('a2')].map(append));
    expect(answers.map(({ kind }) => kind)).toEqual([
      'appended',
      'appended',
      'appended',
      'known',
      'appended',
    ]);
    expect(answers[3]).toMatchObject({ report: { batch: batch.id, first: 2 } });
    expect(log.rows).toHaveLength(4);
  });

  it('refuses what is impossible or takes too long, fails what breaks, and goes on with the rest', async () => {
    const slow = batchOf({ type: 'sweep' });
    const breaking = batchOf({ type: 'put-back', entry: null });
    const { outcomes, log } = lane(sessionOf('a: a1 a2 | b: b1'), (session, command) => {
      if (command.type === 'put-back') throw broken;
      if (command.type === 'sweep') vi.spyOn(performance, 'now').mockReturnValue(BUDGET_MS * 1e6);
      const decision = decide(session, command);
      return decision;
    });
    vi.spyOn(performance, 'now').mockReturnValueOnce(0);
    const impossible = batchOf({ type: 'close', window: 'nowhere' });
    const answers = await outcomes([slow, flip('b1'), impossible, breaking, flip('a1')]);
    expect(answers).toEqual(['too-slow', 1, 'refused', broken, 2]);
    expect(log.rows).toHaveLength(2);
    expect(log.forgotten).toBe(0);
  });

  it('tells nobody of that from which nothing follows', async () => {
    const { outcomes, log } = lane();
    expect(await outcomes([flip('a2'), flip('a2'), flip('b1'), flip('b1')])).toEqual([1, 2, 2, 3]);
    expect(log.told.flatMap(({ reports }) => reports.map(({ first }) => first))).toEqual([1, 2]);
    expect(log.rows).toHaveLength(2);
  });

  it('does not answer that nothing follows while the session went on elsewhere, or is gone', async () => {
    const { append, log } = lane();
    await append(flip('b1'));
    log.elsewhere(flip('a1'));
    expect(await append(flip('b1'))).toMatchObject({ kind: 'appended', report: { first: 3, events: [{}] } });
    const again = flip('b1');
    log.remove();
    expect(await append(again)).toEqual({ kind: 'no-session' });
  });

  it('finds out that the session is gone when it stores, and when it has nothing of it', async () => {
    const { outcomes, log } = lane();
    await outcomes([flip('b1')]);
    log.remove();
    expect(await outcomes(flips(2).reverse())).toEqual(['no-session', 'no-session']);
    expect(log.cached()).toBeUndefined();
    expect(await outcomes(flips(1))).toEqual(['no-session']);
  });

  it('leaves a live session to the server to which its host is connected', async () => {
    const { outcomes, log } = lane(liveSession(sessionOf('a: a1'), []));
    const reason = new Unavailable('What has the windows of this session is not connected.');
    expect(await outcomes(flips(2))).toEqual([reason, reason]);
    expect(log.statements).toEqual([]);
  });
});

describe('a lane whose statements fail', () => {
  it('fails all that went together as to be tried again where the database cannot be used', async () => {
    const { outcomes, log } = lane();
    log.troubles.push(undefined, gone);
    const [first, ...others] = await outcomes(flips(4));
    const reason = new Unavailable('The database cannot be used now.', { cause: gone });
    expect([first, others]).toEqual([1, [reason, reason, reason]]);
    expect(others.map((error) => (error as Error).cause)).toEqual([gone, gone, gone]);
    expect(log.forgotten).toBe(1);
    expect(await outcomes(flips(1).reverse())).toEqual([2]);
  });

  it('tries each alone where one of them broke the statement, and those after them together again', async () => {
    const { outcomes, log } = lane();
    log.troubles.push(undefined, broken, undefined, undefined, broken);
    const answers = await outcomes(flips(75));
    expect(answers.filter((answer) => typeof answer !== 'number')).toEqual([broken]);
    expect(answers[3]).toBe(broken);
    // A flip to what is in front already: the one between was not stored.
    expect(answers.at(-1)).toBe(log.rows.length);
    expect(log.statements.slice(0, 2)).toEqual([1, 64]);
    expect(log.statements.slice(2, -1).every((rows) => rows === 1)).toBe(true);
    expect(log.statements.at(-1)).toBe(10);
  });

  it('decides anew as often as another server is faster, sixteen times, with rests of random length', async () => {
    const rests: unknown[] = [];
    vi.spyOn(Math, 'random').mockReturnValue(1);
    vi.spyOn(globalThis, 'setTimeout').mockImplementation((go, ms) => {
      rests.push(ms);
      return setImmediate(go) as never;
    });
    const { append, log } = lane();
    const opening = () => batchOf({ type: 'open-window', application: 'b', inFront: false });
    const write = log.write.bind(log);
    const faster = (times: number) => {
      vi.spyOn(log, 'write').mockImplementation((rows) => {
        if ((times -= 1) >= 0) log.elsewhere(opening());
        return write(rows);
      });
    };
    faster(16);
    expect(await append(opening())).toMatchObject({ kind: 'appended', report: { first: 17 } });
    expect(rests).toEqual([2, 4, 8, 16, 32, ...Array.from({ length: 11 }, () => 60)]);
    rests.length = 0;
    faster(17);
    const failed = await append(opening()).catch((error: unknown) => error);
    expect(failed).toEqual(new Unavailable('Another server keeps being faster.'));
    expect(failed).toMatchObject({ cause: { code: '23505' } });
    expect(rests).toHaveLength(16);
    // It counts from the beginning then.
    faster(16);
    expect(await append(opening())).toMatchObject({ kind: 'appended' });
  });

  it('answers what another server stored before, and goes on with the rest at once', async () => {
    const rest = vi.spyOn(globalThis, 'setTimeout');
    const { append, log } = lane();
    await append(flip('a2'));
    const [known, reused, ...others] = [flip('b1'), flip('a1'), flip('b1'), flip('a2')];
    log.elsewhere(known);
    log.elsewhere(reused);
    const another = { ...flip('a2'), id: reused?.id ?? '' };
    const answers = await Promise.all([flip('a1'), known, another, ...others].map(append));
    expect(answers.map(({ kind }) => kind)).toEqual([
      'appended',
      'known',
      'id-reused',
      'appended',
      'appended',
    ]);
    expect(answers[1]).toMatchObject({ report: { batch: known?.id, first: 2 } });
    expect(rest).not.toHaveBeenCalled();
  });
});
