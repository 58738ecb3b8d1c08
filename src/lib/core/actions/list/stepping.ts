/** Moving the highlight, and what else the open switcher understands. */
import type { DeskOrder, Step } from '../../desk/order';
import { action, ordersDesk, type Action } from '../action';
import { heldEither, inList, inRows, type Binding } from '../binding';

/** Opposite steps have one short name, so that legends explain them together. */
const step = (id: Step, title: string, short: string, ...keys: readonly Binding[]): Action =>
  action({
    id,
    group: 'find',
    press: 'repeats',
    acts: 'nothing',
    searched: false,
    words: { title, short, synonyms: [] },
    keys,
    offer: (_session, _target, { repeat }) => ordersDesk({ type: 'step', step: id, repeat }),
  });

/** Opens the switcher on the application used before this one, or goes one row down. */
export const olderApplication = step(
  'older-application',
  'Older application',
  'applications',
  heldEither('KeyS'),
  inList('ArrowDown'),
  inList('Tab', false),
);
/** One row up; opens the switcher on the last row. */
export const newerApplication = step(
  'newer-application',
  'Newer application',
  'applications',
  heldEither('KeyA'),
  inList('ArrowUp'),
  inList('Tab', true),
);
/** The next leaf of the row; opens the switcher on the window used before this one. */
export const nextWindow = step(
  'next-window',
  'Next window of the application',
  'windows',
  heldEither('KeyF'),
  inRows('ArrowRight'),
);
/** The leaf before. */
export const previousWindow = step(
  'previous-window',
  'Previous window of the application',
  'windows',
  heldEither('KeyD'),
  inRows('ArrowLeft'),
);

/** Rows that Page Up and Page Down move by. */
const PAGE_ROWS = 5;

const jump = (id: string, title: string, order: DeskOrder, key: Binding): Action =>
  action({
    id,
    group: 'find',
    press: 'repeats',
    acts: 'nothing',
    searched: false,
    words: { title, short: title.toLowerCase(), synonyms: [] },
    keys: [key],
    offer: () => ordersDesk(order),
  });

const byRows = (rows: number): DeskOrder => ({ type: 'jump', rows });
const toLeaf = (to: 'first' | 'last'): DeskOrder => ({ type: 'jump-leaf', to });

/** To the first and the last row, and to the first and the last leaf. */
export const JUMPS: readonly Action[] = [
  jump('rows-down', 'Five rows down', byRows(PAGE_ROWS), inList('PageDown')),
  jump('rows-up', 'Five rows up', byRows(-PAGE_ROWS), inList('PageUp')),
  jump('first-row', 'First row', byRows(-Infinity), inRows('Home', false)),
  jump('last-row', 'Last row', byRows(Infinity), inRows('End', false)),
  jump('first-window', 'First window of the row', toLeaf('first'), inRows('Home', true)),
  jump('last-window', 'Last window of the row', toLeaf('last'), inRows('End', true)),
];
