/**
 * The hold key in every program: the agent has it and hands its keys on, a page of Key Fold's in a window of its own decides
 * what they mean. This is what the two tell each other, through the server.
 */
import type { KeyMap } from '../actions/views/key-map';
import type { DeskState } from '../desk/state';
import type { ArrivedKey } from '../keys/key-input';
import type { WindowId } from '../model/ids';
import type { Session } from '../session/session';
import type { Waiting } from './shots';
import { holdKeyOf, USABLE_HOLD_KEYS, type UsableHoldKey } from '../slices/settings/state';

/** Which keys the page wants to hear of while the hold key is down, wherever the keys are. */
export interface HoldWanted {
  readonly type: 'hold';
  readonly holdKey: UsableHoldKey;
  /** Positions, as in the UI Events `code` values. */
  readonly positions: readonly string[];
  /**
   * Those of them after which text is written: the keyboard is kept from such a key on, until the page has said what it wants
   * of its window, and what is pressed meanwhile is handed on. Else it would go to whatever was in front.
   */
  readonly writing: readonly string[];
}

/**
 * What the page wants of its window. `away`: it shows nothing. `raised`: it is to be seen, and goes on hearing keys through
 * the agent. `keys`: it is to have the keyboard itself, so that text can be written in any way that the system knows.
 */
export type PanelStance = 'away' | 'raised' | 'keys';
/** The page says so. */
export interface PanelWanted {
  readonly type: 'panel';
  readonly stance: PanelStance;
  /** Whether something was wished that may bring another window forward, so that none needs to be when this one goes. */
  readonly wished: boolean;
}

/**
 * The answer to {@link Giving}: the page has done what it was told before, and its browser has given it the keyboard. A window
 * may have it some time before its browser has drawn it, and what is pressed meanwhile goes nowhere.
 */
export interface PanelHasKeys {
  readonly type: 'has-keys';
}

/**
 * What the end of a hold meant is done, on the display as well. Until then the agent keeps back what is pressed: it is meant
 * for the window that comes forward.
 */
export interface HoldDone {
  readonly type: 'hold-done';
}

/** What the page says. */
export type FromPanel = HoldWanted | PanelWanted | PanelHasKeys | HoldDone | Waiting;

/** A key, pressed while the hold key is down or let go since. */
export interface KeyTold {
  readonly type: 'key';
  readonly key: ArrivedKey;
  /** What is in front on the display as it is pressed; null where that is none of its windows. */
  readonly front: WindowId | null;
}
/** What could be had of what was wanted: `taken` are positions that another program has. */
export interface Grabbed {
  readonly type: 'grabbed';
  readonly holdKey: UsableHoldKey;
  readonly taken: readonly string[];
}

/** The keyboard is about to be given to the window: the page answers once it can take it. */
export interface Giving {
  readonly type: 'giving';
}

/** What the agent says. */
export type ToPanel = KeyTold | Grabbed | Giving;

/**
 * With Alt every letter means something in some program's menus, so only what is needed to come and go is taken there; what
 * is done to windows follows once the switcher is open.
 */
const COMING_AND_GOING: ReadonlySet<string> = new Set([
  'older-application',
  'newer-application',
  'next-window',
  'previous-window',
  'search',
  'survey',
  'desks',
  'place',
  'shortcut',
]);

/** What is done with a place, by its digit. */
const OF_PLACES: ReadonlySet<string> = new Set(['place', 'new-window-at-place']);
/** What text is written into right away. */
const WRITTEN_INTO: ReadonlySet<string> = new Set([
  'search',
  'survey',
  'survey-application',
  'desks',
  'workspaces',
]);

/** What a page wants of the keys: those to be taken from all programs while the hold key is down. */
export function holdWanted(keys: KeyMap, session: Session): HoldWanted {
  const holdKey = holdKeyOf(session.settings);
  const wanted = keys.bindings.flatMap(({ scope, at, invocation }) => {
    if (scope !== 'held' || !('code' in at)) return [];
    const { action, argument } = invocation;
    // An empty place does nothing yet.
    if (OF_PLACES.has(action) && !isFilled(session, argument)) return [];
    return holdKey === 'Meta' || COMING_AND_GOING.has(action) ? [{ code: at.code, action }] : [];
  });
  const positionsOf = (some: typeof wanted) => [...new Set(some.map(({ code }) => code))].sort();
  return {
    type: 'hold',
    holdKey,
    positions: positionsOf(wanted),
    writing: positionsOf(wanted.filter(({ action }) => WRITTEN_INTO.has(action))),
  };
}

const isFilled = ({ places }: Session, digit: string | null): boolean =>
  (places[(Number(digit) + 9) % 10] ?? null) !== null;

/** The hold key has come up, as a page hears it. */
export const holdKeyUp = (holdKey: UsableHoldKey, shift: boolean): ArrivedKey => ({
  phase: 'up',
  code: `${holdKey}Left`,
  key: holdKey,
  alt: false,
  control: false,
  meta: false,
  shift,
  altGraph: false,
  repeat: false,
  composing: false,
});

/** Whether a key that the agent told is the hold key, come up: it tells of no other release of it. */
export const endsHold = ({ phase, key }: ArrivedKey): boolean =>
  phase === 'up' && USABLE_HOLD_KEYS.some((holdKey) => holdKey === key);

/** What a desk wants of its window. */
export function stanceOf(desk: DeskState): PanelStance {
  const { switcher, shown, holding, searching, walk, survey, placing, dialog } = desk;
  if (dialog !== null || survey !== null || placing !== null) return 'keys';
  if (walk !== null) return holding ? 'raised' : 'keys';
  if (switcher === null || !shown) return 'away';
  return searching || switcher.mode === 'staying' ? 'keys' : 'raised';
}
