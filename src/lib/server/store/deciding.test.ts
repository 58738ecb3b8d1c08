import { describe, expect, it } from 'vitest';
import { batchOf } from '../../../../testing/batches';
import { deskOf } from '../../../../testing/desks';
import type { Host } from '../../core/host/host';
import { simulatedHost } from '../../core/host/simulated-host';
import { decideBatch } from '../../core/replica/decide-batch';
import { BUDGET_MS, decideInSlices } from './deciding';

/** A host that takes so many ms for each command. */
const slow = (ms: number): Host => ({
  decide(session) {
    const until = performance.now() + ms;
    while (performance.now() < until);
    return { ok: true, events: [], notices: [], session };
  },
});

const sweeps = (count: number) =>
  batchOf(...Array.from({ length: count }, () => ({ type: 'sweep' as const })));
const some = sweeps(20);
const many = sweeps(60);

describe('deciding in slices', () => {
  it('decides what deciding at once does', async () => {
    const session = deskOf('a: a1 a2 | b: b1');
    const batch = batchOf(
      { type: 'sweep' },
      { type: 'put-back', entry: null },
      { type: 'close', window: 'a1' },
    );
    expect(await decideInSlices(simulatedHost, session, batch)).toEqual(
      decideBatch(simulatedHost, session, batch),
    );
    const wrong = batchOf({ type: 'sweep' }, { type: 'close', window: 'nowhere' });
    expect(await decideInSlices(simulatedHost, session, wrong)).toMatchObject({ ok: false, index: 1 });
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
    await decideInSlices(slow(4), deskOf('a: a1'), some);
    deciding = false;
    await others;
    expect(turns).toBeGreaterThan(2);
  });

  it('gives up on a batch that is over its budget', async () => {
    const decided = await decideInSlices(slow(BUDGET_MS / 20), deskOf('a: a1'), many);
    expect(decided).toEqual({ ok: false, tooSlow: true });
  });
});
