import { describe, expect, it } from 'vitest';
import { batchOf } from '../../../../testing/batches';
import { sessionOf } from '../../../../testing/sessions';
import type { decide } from '../../core/host/decide';
import { planOf } from '../../core/host/plan';
import { BUDGET_MS, planInSlices } from './planning';

/** Takes so many ms for each command. */
const slow =
  (ms: number): typeof decide =>
  (session) => {
    const until = performance.now() + ms;
    while (performance.now() < until);
    return { ok: true, events: [], notices: [], session };
  };

const sweeps = (count: number) =>
  batchOf(...Array.from({ length: count }, () => ({ type: 'sweep' as const })));
const some = sweeps(20);
const many = sweeps(60);

describe('planning in slices', () => {
  it('plans what planning at once does', async () => {
    const session = sessionOf('a: a1 a2 | b: b1');
    const batch = batchOf(
      { type: 'sweep' },
      { type: 'put-back', entry: null },
      { type: 'close', window: 'a1' },
    );
    expect(await planInSlices(session, batch)).toEqual(planOf(session, batch));
    const wrong = batchOf({ type: 'sweep' }, { type: 'close', window: 'nowhere' });
    expect(await planInSlices(session, wrong)).toMatchObject({ ok: false, index: 1 });
  });

  it('lets others have a turn in between', async () => {
    let turns = 0;
    let deciding = true;
    const others = (async () => {
      while (deciding) {
        await new Promise((resolve) => setImmediate(resolve));
        turns += 1;
      }
    })();
    await planInSlices(sessionOf('a: a1'), some, slow(4));
    deciding = false;
    await others;
    expect(turns).toBeGreaterThan(2);
  });

  it('gives up on a batch that is over its budget', async () => {
    const decided = await planInSlices(sessionOf('a: a1'), many, slow(BUDGET_MS / 20));
    expect(decided).toEqual({ ok: false, tooSlow: true });
  });
});
