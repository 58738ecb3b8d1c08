/** Where windows lie: filling parts of the surface, side by side, and moving and sizing them by keys. */
import type { PlacingOrder } from '../../placing/placing';
import { nextPart, PARTS, type Part } from '../../placing/parts';
import { placementOf } from '../../placing/placement';
import { isVisible } from '../../session/session';
import { windowOf } from '../../slices/windows/selectors';
import type { AppWindow } from '../../slices/windows/state';
import { action, actionFamily, not, ordersDesk, wishes, type Action, type Offer } from '../action';
import { held, whilePlacing, type Binding } from '../binding';

/** Fills a part of the surface, or, with none, lies where it lay before. */
function filling({ id, ...window }: AppWindow, part: Part | null): Offer {
  const { geometry, on } = placementOf(window);
  const placement = { geometry, ...(on && { on }), ...(part && { part }) };
  return wishes({ type: 'place-window', window: id, placement });
}

/** Which of the two it is is settled here, by what the person sees. */
export const maximise = action({
  id: 'maximise',
  group: 'placing',
  acts: 'window',
  words: {
    title: 'Maximise the front window, or let it lie where it lay',
    short: 'maximise',
    synonyms: ['maximize', 'fill the surface', 'restore', 'full size', 'unmaximise', 'zoom'],
  },
  keys: [held('KeyM')],
  offer(session, target) {
    const window = windowOf(session, target.window);
    return filling(window, window.part ? null : 'whole');
  },
});

const toSide = (side: 'left' | 'right', code: string): Action =>
  action({
    id: `fill-${side}`,
    group: 'placing',
    acts: 'window',
    words: {
      title: `Fill the ${side} half, then a third`,
      short: 'halves',
      synonyms: ['half', 'third', 'tile', 'dock', `${side} half`],
    },
    keys: [held(code)],
    offer(session, target) {
      const window = windowOf(session, target.window);
      return filling(window, nextPart(side, window.part));
    },
  });

/** Halves, and by further presses thirds. */
export const SIDES: readonly Action[] = [toSide('left', 'Comma'), toSide('right', 'Period')];

const PART_TITLES: Readonly<Record<Part, string>> = {
  whole: 'whole surface',
  'left-half': 'left half',
  'right-half': 'right half',
  'top-half': 'upper half',
  'bottom-half': 'lower half',
  'top-left': 'upper left quarter',
  'top-right': 'upper right quarter',
  'bottom-left': 'lower left quarter',
  'bottom-right': 'lower right quarter',
  'left-third': 'left third',
  'middle-third': 'middle third',
  'right-third': 'right third',
  'left-two-thirds': 'left two thirds',
  'right-two-thirds': 'right two thirds',
};

/** Any part, for search and for keys of one’s own. */
export const fillPart = actionFamily({
  id: 'fill',
  group: 'placing',
  acts: 'window',
  explained: false,
  arguments: () => PARTS,
  words: (part) => ({
    title: `Fill the ${PART_TITLES[part]}`,
    short: PART_TITLES[part],
    synonyms: ['tile', 'dock', 'place'],
  }),
  offer: (session, target, part: Part) => filling(windowOf(session, target.window), part),
});

/** The two windows used last that can be seen, side by side; once they are, they change sides. */
export const pair = action({
  id: 'pair',
  group: 'placing',
  acts: 'nothing',
  words: {
    title: 'Put the two windows used last side by side; again: swap them',
    short: 'pair',
    synonyms: ['side by side', 'compare', 'split', 'swap', 'tile two'],
  },
  keys: [held('Slash')],
  offer(session) {
    const [one, other] = session.recent.windows
      .map(({ id }) => windowOf(session, id))
      .filter((window) => isVisible(session, window));
    if (!one || !other) return not({ type: 'nothing-to-pair' });
    const [left, right] = sides(one, other);
    return wishes({ type: 'pair', left: left.id, right: right.id });
  },
});

/** A pair changes sides; otherwise who lies further to the left is left. */
function sides(one: AppWindow, other: AppWindow): readonly [left: AppWindow, right: AppWindow] {
  const isPair = (a: AppWindow, b: AppWindow) => a.part === 'left-half' && b.part === 'right-half';
  if (isPair(one, other)) return [other, one];
  if (isPair(other, one)) return [one, other];
  const middle = ({ geometry: { x, width } }: AppWindow) => x + width / 2;
  return middle(one) <= middle(other) ? [one, other] : [other, one];
}

/** Arrows and parts from here on, until Enter or Escape. */
export const beginPlacing = action({
  id: 'place-window',
  group: 'placing',
  acts: 'window',
  words: {
    title: 'Move and size the front window by keys',
    short: 'place',
    synonyms: ['move window', 'resize', 'size', 'position'],
  },
  keys: [held('KeyN')],
  offer: (_session, { window }) => ordersDesk({ type: 'begin-placing', window }),
});

const placing = (
  id: string,
  title: string,
  short: string,
  order: PlacingOrder,
  keys: readonly Binding[],
  explained = true,
): Action =>
  action({
    id,
    group: 'placing',
    press: order.do === 'move' || order.do === 'size' ? 'repeats' : 'once',
    acts: 'nothing',
    searched: false,
    explained,
    words: { title, short, synonyms: [] },
    keys,
    offer: () => ordersDesk({ type: 'placing', order }),
  });

/** How far an arrow goes, and with Control, in CSS pixels. */
const STEP = 24;
const FINE = 1;

const ARROWS = [
  ['left', 'ArrowLeft', -1, 0],
  ['right', 'ArrowRight', 1, 0],
  ['up', 'ArrowUp', 0, -1],
  ['down', 'ArrowDown', 0, 1],
] as const;

const arrows = (finer: boolean, sizes: boolean): Action[] =>
  ARROWS.map(([direction, key, x, y]) => {
    const by = finer ? FINE : STEP;
    const order: PlacingOrder = { do: sizes ? 'size' : 'move', x: x * by, y: y * by };
    const verb = sizes ? 'size' : 'move';
    const id = [verb, direction, ...(finer ? ['finely'] : [])].join('-');
    const title = `${sizes ? 'Size' : 'Move'} it ${direction}${finer ? ' by a pixel' : ''}`;
    const short = finer ? `${verb} finely` : verb;
    return placing(id, title, short, order, [whilePlacing({ key }, { shift: sizes, control: finer })]);
  });

/** Parts by where their keys lie: three rows of three, as the surface has corners, edges and a middle. */
const PART_KEYS: Readonly<Partial<Record<Part, readonly [code: string, shift?: boolean]>>> = {
  'top-left': ['KeyU'],
  'top-half': ['KeyI'],
  'top-right': ['KeyO'],
  'left-half': ['KeyJ'],
  whole: ['KeyK'],
  'right-half': ['KeyL'],
  'bottom-left': ['KeyM'],
  'bottom-half': ['Comma'],
  'bottom-right': ['Period'],
  'left-third': ['KeyJ', true],
  'middle-third': ['KeyK', true],
  'right-third': ['KeyL', true],
  'left-two-thirds': ['KeyU', true],
  'right-two-thirds': ['KeyO', true],
};

const MIDDLE_ROW: readonly Part[] = ['left-half', 'whole', 'right-half'];

/** What can be done while a window is placed. */
export const WHILE_PLACING: readonly Action[] = [
  placing('accept-placing', 'Let it lie there', 'accept', { do: 'accept' }, [whilePlacing({ key: 'Enter' })]),
  placing('revert-placing', 'Back to where it lay', 'revert', { do: 'revert' }, [
    whilePlacing({ key: 'Escape' }),
  ]),
  ...arrows(false, false),
  ...arrows(false, true),
  ...PARTS.flatMap((part) => {
    const [code, shift = false] = PART_KEYS[part] ?? [];
    if (code === undefined) return [];
    const key = whilePlacing({ code }, { shift });
    return placing(
      `place-${part}`,
      `Fill the ${PART_TITLES[part]}`,
      'parts',
      { do: 'fill', part },
      [key],
      // The middle row tells where the others lie.
      MIDDLE_ROW.includes(part),
    );
  }),
  ...arrows(true, false),
  ...arrows(true, true),
];
