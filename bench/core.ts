/** `npm run bench`: the core's own speed, as rates and as ratios between sizes. */
import { idsIn } from '../src/lib/core/model/table';
import { fromDocument } from '../src/lib/core/formats/session-document';
import { decide } from '../src/lib/core/host/decide';
import { exposedWindows } from '../src/lib/core/layout/exposed';
import type { Wish } from '../src/lib/core/commands/commands';
import type { Session } from '../src/lib/core/session/session';
import { windowOf } from '../src/lib/core/slices/windows/selectors';
import { advance } from '../src/lib/core/switcher/switcher';
import { documentWith } from './documents';
import { fastest, printTable } from './statistics';

const SIZES = [10, 100, 1_000, 2_000];
const RUNS = 15;
const ROUND = 500;

const rows = SIZES.map((size) => {
  const session = fromDocument(documentWith(size));
  return {
    windows: size,
    'events/s through host and reduce': Math.round((ROUND / fastest(RUNS, () => fronting(session))) * 1000),
    'opening the switcher, µs': micros(fastest(RUNS, () => opening(session)) / ROUND),
    'one step, µs': micros(fastest(RUNS, () => stepping(session)) / ROUND),
    'finding what is exposed, µs': micros(fastest(RUNS, () => exposing(session)) / ROUND),
  };
});
printTable('The core, by number of windows', rows);
printTable(
  'Families, ms, by number of windows (all of them, but for what an application has)',
  SIZES.map((size) => ({ windows: size, ...families(fromDocument(documentWith(size))) })),
);

/** How long one command about many windows takes, and back. */
function families(session: Session): Record<string, number> {
  const decided = (wish: Wish, from: Session = session): Session => {
    const decision = decide(from, { ...wish, id: 'c', at: '2026-11-24T06:12:00.000Z' });
    if (!decision.ok) throw new Error(decision.refusal.detail);
    return decision.session;
  };
  const ms = (work: () => void) => Number(fastest(RUNS, work).toFixed(2));
  const application = 'a-0';
  const swept = decided({ type: 'sweep' });
  return {
    sweep: ms(() => decided({ type: 'sweep' })),
    'put back': ms(() => decided({ type: 'put-back', entry: null }, swept)),
    'close all': ms(() => decided({ type: 'close-all', application })),
    quit: ms(() => decided({ type: 'quit', application })),
    'minimise one': ms(() => decided({ type: 'minimise', window: 'w-0' })),
    'fifty sweeps and back': ms(() => {
      let now = session;
      for (let n = 0; n < 50; n += 1)
        now = decided({ type: 'put-back', entry: null }, decided({ type: 'sweep' }, now));
    }),
  };
}

function micros(ms: number): number {
  return Number((ms * 1000).toFixed(2));
}

/** Brings windows to the front, the event of every switch. */
function fronting(session: Session): void {
  let now = session;
  const ids = idsIn(session.windows);
  for (let n = 0; n < ROUND; n += 1) {
    const window = ids[(n * 7) % ids.length] ?? '';
    const at = '2026-11-24T06:12:00.000Z';
    const decision = decide(now, {
      type: 'bring-to-front',
      window,
      raiseAll: false,
      id: `${n}`,
      at,
    });
    if (!decision.ok) throw new Error(decision.refusal.detail);
    now = decision.session;
  }
}

function opening(session: Session): void {
  for (let n = 0; n < ROUND; n += 1)
    advance(null, { type: 'open', by: 'older-application', mode: 'holding' }, session);
}

function stepping(session: Session): void {
  let { switcher } = advance(null, { type: 'open', by: 'older-application', mode: 'holding' }, session);
  for (let n = 0; n < ROUND; n += 1)
    ({ switcher } = advance(
      switcher,
      { type: 'step', step: n % 3 ? 'older-application' : 'next-window', repeat: false },
      session,
    ));
}

function exposing(session: Session): void {
  const pile = session.stacking.map((id) => windowOf(session, id));
  for (let n = 0; n < ROUND; n += 1) exposedWindows(pile, { width: 1280, height: 770 });
}
