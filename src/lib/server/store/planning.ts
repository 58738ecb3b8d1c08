import { decide } from '../../core/host/decide';
import { planning, type Plan } from '../../core/host/plan';
import type { Batch } from '../../core/commands/commands';
import type { Session } from '../../core/session/session';

/** The longest that planning keeps the server from anything else, in ms, but for a single command. */
const SLICE_MS = 10;
/** The longest that planning one batch may take in all, in ms of the server's time. */
export const BUDGET_MS = 1_000;

/** Planning a batch took longer than its budget. */
export type TooSlow = { readonly ok: false; readonly tooSlow: true };

/** The batch's plan as `planOf` makes it, with pauses in which the server does other things. */
export async function planInSlices(
  session: Session,
  batch: Batch,
  decideOne = decide,
): Promise<Plan | TooSlow> {
  const steps = planning(session, batch, decideOne);
  let spent = 0;
  let since = performance.now();
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    const slice = performance.now() - since;
    if (spent + slice > BUDGET_MS) return { ok: false, tooSlow: true };
    if (slice < SLICE_MS) continue;
    spent += slice;
    await new Promise((resolve) => setImmediate(resolve));
    since = performance.now();
  }
}
