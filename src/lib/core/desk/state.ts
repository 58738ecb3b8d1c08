/** What the desk remembers between two inputs. It reads no clock and counts nothing. */
import type { DialogName } from '../actions/action';
import type { Target } from '../actions/target';
import type { Carried } from '../carrying/carried';
import type { Extent } from '../model/geometry';
import { COMMON_SURFACE } from '../placing/placement';
import type { Placing } from '../placing/placing';
import type { Survey } from '../survey/survey';
import type { Run } from '../index/run';
import type { Walk } from '../index/walk';
import { NONE_DOWN, type ModifiersDown } from '../keys/modifiers';
import type { Recorded } from '../shortcuts/recording';
import type { Switcher } from '../switcher/switcher';

/** All that the desk remembers from one input to the next. */
export interface DeskState {
  readonly switcher: Switcher | null;
  /** Whether the open switcher is painted yet: a quick tap never is (switching rule 8). */
  readonly shown: boolean;
  /** Whether the hold key is down. */
  readonly holding: boolean;
  /** Whether it has been for longer than a quick tap, so that its keys are explained. */
  readonly explained: boolean;
  readonly shifted: boolean;
  readonly glancing: boolean;
  /** Whether search was pressed in this hold: until the hold key comes up, letters belong to it (rule 11). */
  readonly searching: boolean;
  /** Whether the hold key went down and nothing else since. */
  readonly tapped: boolean;
  /** True from a loss of the focus on, until an event tells whether the hold key is still down. */
  readonly unsure: boolean;
  /** True while steps follow each other so quickly that unfolding in motion would only be in the way. */
  readonly hurried: boolean;
  /** Whether a step was taken just now. */
  readonly stepped: boolean;
  /** The run of presses that the next one goes on with (switching rule 14). */
  readonly run: Run | null;
  /** Where someone walks the index; null while nobody does. */
  readonly walk: Walk | null;
  /** The place where the last walk ended. */
  readonly walkedTo: number | null;
  /** The window that is moved or sized just now. */
  readonly placing: Placing | null;
  /** What is carried to a program while the switcher stays open; null while nothing is. */
  readonly carrying: Carried | null;
  /** The survey; null while nobody looks at it. */
  readonly survey: Survey | null;
  /** How large the surface is that windows lie on. */
  readonly surface: Extent;
  /** What this page has to show them on: the surface itself, unless that is a display's. */
  readonly paper: Extent;
  /** Whether the next combination is recorded instead of doing anything. */
  readonly recording: boolean;
  /** The combination that was recorded last, or why it cannot be chosen. */
  readonly recorded: Recorded | null;
  readonly dialog: DialogName | null;
  /** What the keys acted on when the dialog was opened. */
  readonly dialogOn: Target | null;
  readonly modifiers: ModifiersDown;
  /** Positions still down from a press that was taken. */
  readonly taken: readonly string[];
  /** What was done last that the foot line offers to take back. */
  readonly undoes: 'put-back' | 'reopen';
}

/** A desk that nobody touches. */
export const AT_REST: DeskState = {
  switcher: null,
  shown: false,
  holding: false,
  explained: false,
  shifted: false,
  glancing: false,
  searching: false,
  tapped: false,
  unsure: false,
  hurried: false,
  stepped: false,
  run: null,
  walk: null,
  walkedTo: null,
  placing: null,
  carrying: null,
  survey: null,
  surface: COMMON_SURFACE,
  paper: COMMON_SURFACE,
  recording: false,
  recorded: null,
  dialog: null,
  dialogOn: null,
  modifiers: NONE_DOWN,
  taken: [],
  undoes: 'put-back',
};

/** How long each timer runs, in ms. */
export const TIMERS = {
  /** A quick tap is released within this time and then paints nothing; a second press shows the switcher at once. */
  show: 110,
  explain: 110,
  /** Steps closer together than this are hurried. */
  calm: 250,
  /** Presses further apart than this begin a new run (switching rule 14). */
  run: 1_500,
  /** Letters further apart than this begin another name in the index; what lists do (common practice). */
  seek: 1_000,
} as const;
/** The name of a timer. */
export type Timer = keyof typeof TIMERS;
