/**
 * The cheapest way from here to a window, over everything that is bound: steps in the switcher, places, shortcuts, putting
 * back, and the fewest letters of search as ranking stands. What a way costs is the keystroke-level model's to say: K for
 * each key, the hold key and Enter counted, and M once where nobody can go on without having looked.
 */
import type { Invocation } from '../actions/action';
import { BATCH_VERSION } from '../commands/commands';
import { STEPS } from '../desk/order';
import { planOf } from '../host/plan';
import { applicationPressed, pressableAt } from '../index/pressing';
import { pressesTo } from '../index/run';
import type { WindowId } from '../model/ids';
import { has } from '../model/table';
import type { Catalogue } from '../search/catalogue';
import { search, type Searcher } from '../search/search';
import type { Session } from '../session/session';
import { windowsAimedAt, type TitleMatching } from '../shortcuts/aim';
import { thingAt } from '../slices/places/selectors';
import { DIGITS } from '../slices/places/state';
import { frontApplication } from '../slices/front/selectors';
import { windowsOf } from '../slices/recency/selectors';
import { newestPutAway } from '../slices/put-away/selectors';
import { activeTab, titleOf, windowOf } from '../slices/windows/selectors';
import {
  advance,
  highlightedLeaf,
  unfoldedRow,
  type Switcher,
  type SwitcherInput,
} from '../switcher/switcher';
import { keysSeconds, type Operators } from './operators';
import type { Way } from './way';

/** One thing that a way does with the keyboard: an action by its key, letters, or Enter. */
export type Stroke = { readonly does: Invocation } | { readonly letters: string } | { readonly enter: true };

/** A way to a window. */
export interface Route {
  readonly way: Way;
  /** What is done one after the other while the hold key is down, or in the search line. */
  readonly strokes: readonly Stroke[];
  /** Keys that go down, the hold key counted. */
  readonly keys: number;
  /** How often someone has to look before going on. */
  readonly looks: number;
  /** By the model. */
  readonly seconds: number;
}

/** What there is to go by. Without a catalogue search is left out. */
export interface Means {
  readonly session: Session;
  readonly matching: TitleMatching;
  readonly operators: Operators;
  readonly search: { readonly catalogue: Catalogue; readonly searcher: Searcher } | null;
}

/** The cheapest way to a window; null if it is in front already, or not there yet, or nothing leads there. */
export function cheapestWay(to: WindowId, means: Means): Route | null {
  const { session } = means;
  if (session.front === to || !has(session.windows, to)) return null;
  const pressed = [...byPlaces(to, means), ...byShortcuts(to, means), ...byPuttingBack(to, means)];
  let best = cheapest(pressed);
  // Each is only looked for as far as it can cost less.
  for (const look of [bySteps, byPlaceAndStep, bySearch])
    best = look(to, means, best?.seconds ?? Infinity) ?? best;
  return best;
}

const cheapest = (routes: readonly Route[]): Route | null =>
  routes.reduce<Route | null>(
    (best, route) => (best === null || route.seconds < best.seconds ? route : best),
    null,
  );

function route(
  way: Way,
  strokes: readonly Stroke[],
  keys: number,
  looks: number,
  { operators }: Means,
): Route {
  return { way, strokes, keys, looks, seconds: keysSeconds(operators, keys, looks) };
}

/** The first key is blind; whoever goes on has looked. */
const looksOf = (presses: number): number => (presses > 1 ? 1 : 0);

const times = (count: number, does: Invocation): Stroke[] => Array.from({ length: count }, () => ({ does }));

function byPresses(way: 'place' | 'shortcut', presses: number, argument: string, means: Means): Route {
  return route(way, times(presses, { action: way, argument }), 1 + presses, looksOf(presses), means);
}

function byPlaces(to: WindowId, means: Means): Route[] {
  const { session, matching } = means;
  const { application } = windowOf(session, to);
  return DIGITS.flatMap((digit) => {
    const what = pressableAt(session, digit);
    if (what === null || applicationPressed(session, what) !== application) return [];
    if ('document' in what)
      return activeTab(windowOf(session, to)).document === what.document
        ? [byPresses('place', 1, digit, means)]
        : [];
    const windows = windowsAimedAt(session, what.aim, matching).map(({ id }) => id);
    const presses = pressesTo(windows, session.front, to);
    return presses === null ? [] : [byPresses('place', presses, digit, means)];
  });
}

function byShortcuts(to: WindowId, means: Means): Route[] {
  const { session, matching } = means;
  return session.shortcuts.flatMap(({ id, aim, further }) => {
    const windows = windowsAimedAt(session, aim, matching).map((window) => window.id);
    const presses = pressesTo(windows, session.front, to);
    // What leaves again, or goes on to the next tab, gets no further than its first window.
    if (presses === null || (presses > 1 && further !== 'next-window')) return [];
    if (further !== 'next-window' && session.front !== null && windows.includes(session.front)) return [];
    return [byPresses('shortcut', presses, id, means)];
  });
}

function byPuttingBack(to: WindowId, means: Means): Route[] {
  const entry = newestPutAway(means.session);
  if (!entry) return [];
  const command = { type: 'put-back', entry: entry.id, id: '', at: '' } as const;
  const plan = planOf(means.session, { id: '', v: BATCH_VERSION, commands: [command] });
  if (!plan.ok || plan.session.front !== to) return [];
  return [route('key', times(1, { action: 'put-back', argument: null }), 2, 0, means)];
}

/** A state of the switcher that was reached, by what, and from where. */
interface Reached {
  readonly switcher: Switcher;
  readonly does: Invocation;
  readonly from: Reached | null;
}

/**
 * The fewest steps, by breadth-first search over the switcher's own states: every key costs the same, so what is found first
 * is cheapest. A digit goes to its row from wherever one is, so it is only worth trying first. Steps among the windows of another
 * application's row lead nowhere, because going on to the next row forgets them: they are not looked at.
 */
function bySteps(to: WindowId, means: Means, most: number): Route | null {
  const { session } = means;
  const { application } = windowOf(session, to);
  const seen = new Set<string>();
  let reached: Reached[] = STEPS.flatMap((step) => {
    const { switcher } = advance(null, { type: 'open', by: step, mode: 'holding' }, session);
    return switcher ? [{ switcher, does: { action: step, argument: null }, from: null }] : [];
  });
  const { toRows, amongRows, amongLeaves } = movesOf(session);
  for (let keys = 2; reached.length > 0; keys += 1) {
    if (keysSeconds(means.operators, keys, looksOf(keys - 1)) >= most) return null;
    const next: Reached[] = [];
    for (const from of reached) {
      const { switcher } = from;
      const state = `${switcher.row} ${switcher.leaf ?? ''}`;
      if (seen.has(state)) continue;
      seen.add(state);
      const here = unfoldedRow(switcher)?.application === application;
      if (here && highlightedLeaf(switcher, session) === to) return bySwitcher(from, means);
      const moves = here ? amongLeaves : from.from === null ? [...amongRows, ...toRows] : amongRows;
      for (const { input, does } of moves) {
        const after = advance(switcher, input, session).switcher;
        if (after && after !== switcher) next.push({ switcher: after, does, from });
      }
    }
    reached = next;
  }
  return null;
}

function bySwitcher(end: Reached, means: Means): Route {
  const strokes: Stroke[] = [];
  for (let at: Reached | null = end; at !== null; at = at.from) strokes.unshift({ does: at.does });
  const way = end.switcher.leaf === null ? 'step' : 'window-step';
  return route(way, strokes, 1 + strokes.length, looksOf(strokes.length), means);
}

/** A place brings its application forward with another window; its window keys go on from there, in the same hold. */
function byPlaceAndStep(to: WindowId, means: Means, most: number): Route | null {
  const { session, operators } = means;
  // The hold key, the digit and at least one step, after a look.
  if (keysSeconds(operators, 3, 1) >= most) return null;
  const { application } = windowOf(session, to);
  const digit = DIGITS.find((one) => thingAt(session, one) === application);
  if (digit === undefined || frontApplication(session) === application) return null;
  const [first] = windowsOf(session, application);
  if (!first || first.id === to) return null;
  const command = { type: 'walk-to', window: first.id, pass: null, id: '', at: '' } as const;
  const plan = planOf(session, { id: '', v: BATCH_VERSION, commands: [command] });
  if (!plan.ok || plan.session.front !== first.id) return null;
  const rest = most - operators.key;
  const there = bySteps(to, { ...means, session: plan.session }, rest);
  if (!there) return null;
  const strokes: Stroke[] = [...times(1, { action: 'place', argument: digit }), ...there.strokes];
  const whole = route('place', strokes, there.keys + 1, 1, means);
  return whole.seconds < most ? whole : null;
}

/** What moves the highlight of the open switcher, from row to row and from leaf to leaf. */
function movesOf(session: Session) {
  const move = (does: Invocation, input: SwitcherInput) => ({ does, input });
  const steps = STEPS.map((step) =>
    move({ action: step, argument: null }, { type: 'step', step, repeat: false }),
  );
  const toRows = DIGITS.flatMap((digit) => {
    const thing = thingAt(session, digit);
    return typeof thing === 'string'
      ? [move({ action: 'place', argument: digit }, { type: 'to-row', application: thing })]
      : [];
  });
  const [older, newer, ...leaves] = steps;
  return { toRows, amongRows: [older, newer].filter((one) => one !== undefined), amongLeaves: leaves };
}

/** Letters beyond these would cost more than any other way. */
const MOST_LETTERS = 4;

/** The hold key, the key of search, the letters, and Enter after a look. */
const searchKeys = (letters: number): number => 2 + letters + 1;

/** The fewest letters of its title, from the start of a word, that find it first, if that costs less than `most`. */
function bySearch(to: WindowId, means: Means, most: number): Route | null {
  const { session, operators } = means;
  if (!means.search) return null;
  const { catalogue, searcher } = means.search;
  const words = titleOf(windowOf(session, to))
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean);
  for (let count = 1; count <= MOST_LETTERS; count += 1) {
    if (keysSeconds(operators, searchKeys(count), 1) >= most) return null;
    const tries = new Set(words.map((word) => [...word].slice(0, count).join('')));
    for (const letters of tries) {
      if ([...letters].length < count) continue;
      const subject = search(catalogue, letters, searcher)[0]?.candidate.subject;
      if (subject?.kind !== 'window' || subject.window !== to) continue;
      const strokes: Stroke[] = [
        { does: { action: 'search', argument: null } },
        { letters },
        { enter: true },
      ];
      return route('search', strokes, searchKeys(count), 1, means);
    }
  }
  return null;
}
