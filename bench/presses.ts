/**
 * How many keys it takes to reach each window from each other one, the hold key not counted: by the digits of places alone,
 * and by stepping through the switcher the shorter way round. Keys go through the very desk that the page runs.
 */
import { fromDocument } from '../src/lib/core/formats/session-document';
import type { Session } from '../src/lib/core/session/session';
import { windowsByApplication } from '../src/lib/core/slices/recency/selectors';
import { DIGITS } from '../src/lib/core/slices/places/state';
import { digitOf } from '../src/lib/core/slices/places/selectors';
import { windowOf } from '../src/lib/core/slices/windows/selectors';
import { ellavane } from '../src/lib/demo/ellavane';
import { Person } from '../testing/person';
import { sessionOf } from '../testing/sessions';
import { percentile, printTable } from './statistics';

/** Ten applications with three windows each. */
const thirty = sessionOf(
  [...'abcdefghij'].map((name) => `${name}: ${[1, 2, 3].map((n) => `${name}${n}`).join(' ')}`).join(' | '),
);

/** Keys by digits: the place of its application, as often as it takes. */
function byDigits(from: Session, to: string): number {
  const digit = digitOf(from, windowOf(from, to).application);
  if (digit === null) return Infinity;
  const person = new Person(from).hold();
  for (let presses = 1; presses <= DIGITS.length; presses += 1)
    if (person.tap(`Digit${digit}`).session.front === to) return presses;
  return Infinity;
}

/** Keys by stepping: rows the shorter way round, then leaves the shorter way round. The first step opens the switcher. */
function bySteps(from: Session, to: string): number {
  const rows = [...windowsByApplication(from)];
  const row = rows.findIndex(([, windows]) => windows.includes(to));
  const leaves = rows[row]?.[1] ?? [];
  const leaf = leaves.indexOf(to);
  const around = (steps: number, count: number) => Math.min(steps, count - steps);
  return around(row, rows.length) + around(leaf, leaves.length);
}

function figures(name: string, session: Session) {
  const windows = session.windows.map(({ id }) => id);
  const pairs = windows.flatMap((front) => {
    const from = new Person(session).wish({ type: 'bring-to-front', window: front, raiseAll: false }).session;
    return windows.filter((to) => to !== front).map((to) => [byDigits(from, to), bySteps(from, to)] as const);
  });
  return (['digits', 'steps'] as const).map((how, at) => {
    const keys = pairs.map((pair) => pair[at] ?? 0);
    const within = keys.filter((count) => count <= 2).length / keys.length;
    return {
      desk: name,
      by: how,
      median: percentile(keys, 50),
      worst: Math.max(...keys),
      'in one or two, %': Math.round(100 * within),
    };
  });
}

printTable('Keys to reach a window, from any other one', [
  ...figures(`demo, ${ellavane(new Date()).windows.length} windows`, fromDocument(ellavane(new Date()))),
  ...figures('30 windows of 10 applications', thirty),
]);
