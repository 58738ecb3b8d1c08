/** The numbered places: bringing forward what stands there, and walking the index that they make. */
import type { IndexOrder } from '../../desk/order';
import { applicationOfThing, nameOfThing } from '../../index/place-view';
import type { Session } from '../../session/session';
import { thingAt } from '../../slices/places/selectors';
import { DIGITS, type Digit } from '../../slices/places/state';
import { action, actionFamily, asksPage, not, ordersDesk, wishes, type Action } from '../action';
import { held, heldShift, inIndex, type Binding } from '../binding';

const codeOf = (digit: Digit): string => `Digit${digit}`;

const nameAt = (session: Session, digit: Digit): string => {
  const thing = thingAt(session, digit);
  return thing === null ? `what stands at ${digit}` : nameOfThing(session, thing);
};

/** Launches what stands at a digit, brings it forward, or goes on to its next window (switching rule 14). */
export const place = actionFamily({
  id: 'place',
  together: 'Bring forward what stands at this digit, again its next window',
  group: 'index',
  acts: 'nothing',
  searched: false,
  explained: false,
  arguments: () => DIGITS,
  words: (digit, session) => ({
    title: `Go to ${nameAt(session, digit)}, again to its next window`,
    short: nameAt(session, digit),
    synonyms: [],
  }),
  keys: (digit) => [held(codeOf(digit))],
  offer: (session, _target, digit) =>
    thingAt(session, digit) === null
      ? not({ type: 'empty-place', digit })
      : ordersDesk({ type: 'press-place', digit }),
});

/** Opens another window of what stands at a digit. */
export const newWindowAtPlace = actionFamily({
  id: 'new-window-at-place',
  together: 'New window of what stands at this digit',
  group: 'index',
  acts: 'nothing',
  searched: false,
  explained: false,
  arguments: () => DIGITS,
  words: (digit, session) => ({
    title: `New window of ${nameAt(session, digit)}`,
    short: 'new window',
    synonyms: [],
  }),
  keys: (digit) => [heldShift(codeOf(digit))],
  offer(session, _target, digit) {
    const thing = thingAt(session, digit);
    if (thing === null) return not({ type: 'empty-place', digit });
    const application = applicationOfThing(session, thing);
    return {
      does: [
        { to: 'desk', order: { type: 'step-aside' } },
        { to: 'session', wish: { type: 'open-window', application, inFront: true } },
      ],
    };
  },
});

/** Goes to the index, or back from it. */
export const walkIndex = action({
  id: 'index',
  group: 'index',
  acts: 'nothing',
  searched: false,
  words: { title: 'Walk the index', short: 'index', synonyms: [] },
  keys: [held('Backquote')],
  offer: () => ordersDesk({ type: 'walk-index' }),
});

/** Through the sections of the page, as in programs everywhere (common practice). */
const toSection = (id: string, title: string, by: 1 | -1): Action =>
  action({
    id,
    group: 'page',
    acts: 'nothing',
    searched: false,
    explained: false,
    words: { title, short: 'section', synonyms: [] },
    keys: [{ scope: 'anywhere', at: { key: 'F6' }, shift: by < 0 }],
    offer: () => ordersDesk({ type: 'to-section', by }),
  });

/** From the front window to the index, the foot line, and round; and the other way. */
export const TO_SECTIONS: readonly Action[] = [
  toSection('next-section', 'To the next section: window, index, foot line', 1),
  toSection('previous-section', 'To the section before', -1),
];

/** What is in front or highlighted gets the first empty place. */
export const addToIndex = action({
  id: 'add-to-index',
  group: 'index',
  acts: 'nothing',
  words: {
    title: 'Add the front application to the index',
    short: 'add to index',
    synonyms: ['place', 'number', 'digit', 'pin', 'keep'],
  },
  keys: [heldShift('Backquote')],
  offer: () => ordersDesk({ type: 'add-to-index' }),
});

/** Takes the last change of the index back. */
export const undoIndex = action({
  id: 'undo-index',
  group: 'index',
  acts: 'nothing',
  words: {
    title: 'Undo the last change of the index',
    short: 'undo',
    synonyms: ['places as they were', 'reorder'],
  },
  keys: [
    { ...inIndex({ code: 'KeyZ' }), modifiers: ['Control'] },
    { ...inIndex({ code: 'KeyZ' }), modifiers: ['Meta'] },
  ],
  offer({ placesBefore }) {
    const last = placesBefore.at(-1);
    return last ? wishes({ type: 'put-index-back', entry: last.id }) : not({ type: 'nothing-to-undo' });
  },
});

/** `explained`: whether legends say its key. */
const walking = (
  id: string,
  title: string,
  short: string,
  order: (repeat: boolean) => IndexOrder,
  keys: readonly Binding[],
  explained = true,
): Action =>
  action({
    id,
    group: 'index',
    press: 'repeats',
    acts: 'nothing',
    searched: false,
    explained,
    words: { title, short, synonyms: [] },
    keys,
    offer: (_session, _target, { repeat }) => ordersDesk({ type: 'at-index', order: order(repeat) }),
  });

const named = (key: string, shift = false) => inIndex({ key }, shift);

/** The menu of the place where the walk is. */
const placeMenu = action({
  id: 'place-menu',
  group: 'index',
  acts: 'nothing',
  searched: false,
  words: { title: 'Menu of the place', short: 'menu', synonyms: [] },
  keys: [named('ArrowLeft'), named('ContextMenu'), named('F10', true)],
  offer: () => asksPage({ type: 'open-dialog', dialog: 'place-menu' }),
});

/** A digit goes to its place; with Shift what is walked is put there. */
const digits = (id: string, shift: boolean, together: string, to: 'go-to' | 'carry-to'): Action =>
  actionFamily({
    id,
    together,
    group: 'index',
    acts: 'nothing',
    searched: false,
    explained: false,
    arguments: () => DIGITS,
    words: (digit) => ({ title: together, short: digit, synonyms: [] }),
    keys: (digit) => [inIndex({ code: codeOf(digit) }, shift)],
    offer: (_session, _target, digit) => ordersDesk({ type: 'at-index', order: { do: to, digit } }),
  });

const step =
  (by: 1 | -1) =>
  (repeat: boolean): IndexOrder => ({ do: 'step', by, repeat });

/** What can be done while the index is walked. */
export const WALKING: readonly Action[] = [
  walking('place-above', 'Place before', 'places', step(-1), [named('ArrowUp')]),
  walking('place-below', 'Next place', 'places', step(1), [named('ArrowDown')]),
  walking(
    'first-place',
    'First place',
    'first',
    () => ({ do: 'go-to-end', end: 'first' }),
    [named('Home')],
    false,
  ),
  walking(
    'last-place',
    'Last place',
    'last',
    () => ({ do: 'go-to-end', end: 'last' }),
    [named('End')],
    false,
  ),
  walking('open-place', 'Bring it forward', 'open', () => ({ do: 'open', alone: false }), [named('Enter')]),
  walking(
    'open-place-alone',
    'Bring it forward and hide all others',
    'alone',
    () => ({ do: 'open', alone: true }),
    [named('Enter', true)],
  ),
  placeMenu,
  walking('carry-up', 'Carry it up', 'carry', () => ({ do: 'carry', by: -1 }), [named('ArrowUp', true)]),
  walking('carry-down', 'Carry it down', 'carry', () => ({ do: 'carry', by: 1 }), [named('ArrowDown', true)]),
  digits('go-to-place', false, 'To the place with this digit', 'go-to'),
  digits('carry-to-place', true, 'Put it at this digit', 'carry-to'),
  walking('take-out', 'Take it out of the index', 'take out', () => ({ do: 'take-out' }), [named('Delete')]),
  walking('leave-index', 'Leave the index', 'leave', () => ({ do: 'leave' }), [
    named('Escape'),
    named('Tab'),
    named('Tab', true),
  ]),
];
