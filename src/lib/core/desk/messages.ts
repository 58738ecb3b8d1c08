/** What the desk is told, and what it asks for, as data. */
import type { Action, DialogName, Invocation, Moment, PageRequest } from '../actions/action';
import type { Target } from '../actions/target';
import type { Carried } from '../carrying/carried';
import type { Origin, Wish } from '../commands/commands';
import type { Notice, Refusal } from '../host/notice';
import type { ArrivedKey, KeyInput } from '../keys/key-input';
import type { Extent } from '../model/geometry';
import type { ApplicationId, Instant, WindowId } from '../model/ids';
import type { Placement } from '../placing/placement';
import type { Session, SessionEvent } from '../session/session';
import type { Way } from '../tally/way';
import type { LayRequest, Sheeted } from '../survey/survey';
import type { Timer } from './state';

/** Everything that the desk is told. */
export type DeskInput =
  /** `at`: now; what search has learned fades with time. */
  | { readonly type: 'key'; readonly key: ArrivedKey; readonly at: Instant }
  /** What the pointer did; it tells whether the hold key is still down. */
  | { readonly type: 'pointer'; readonly did: PointerDeed; readonly holdKeyDown: boolean }
  /** The page lost the focus: a release may go unseen, and an open switcher waits for the next event to tell. */
  | { readonly type: 'blur' }
  | { readonly type: 'time'; readonly timer: Timer }
  /** What stands in the search line. */
  | { readonly type: 'letters'; readonly letters: string; readonly at: Instant }
  | { readonly type: 'point'; readonly application: ApplicationId; readonly window: WindowId | null }
  | { readonly type: 'point-result'; readonly index: number }
  /** By pointer; on its own target, or on what the keys act on. What it opens stays open. */
  | {
      readonly type: 'invoked';
      readonly invocation: Invocation;
      readonly target?: Target;
      readonly moment?: Moment;
    }
  /** Something is taken up, to be carried to a program. */
  | { readonly type: 'carry'; readonly what: Carried }
  | { readonly type: 'dialog'; readonly dialog: DialogName | null }
  /** From now on the next combination is recorded, or no more. */
  | { readonly type: 'record'; readonly on: boolean }
  | { readonly type: 'wished'; readonly wishes: readonly Wish[] }
  /** A question or an offer was answered. */
  | { readonly type: 'answered'; readonly wish: Wish }
  /** What was asked for was laid out. */
  | { readonly type: 'laid-out'; readonly sheet: Sheeted }
  | { readonly type: 'point-survey'; readonly window: WindowId }
  /** How large the surface is now, and what this page has to show it on. */
  | { readonly type: 'surface'; readonly surface: Extent; readonly paper: Extent }
  /** The pointer moves or sizes a window: takes it up, lays it somewhere, and lets it go. */
  | { readonly type: 'lift'; readonly window: WindowId }
  | { readonly type: 'lay'; readonly placement: Placement }
  | { readonly type: 'let-lie' }
  | { readonly type: 'session-changed' }
  /** Something came of what was asked for earlier, and could not be foreseen. */
  | { readonly type: 'happened'; readonly before: Session; readonly events: readonly SessionEvent[] }
  /** What became of the wishes that were submitted. */
  | {
      readonly type: 'submitted';
      readonly submitted: Submission;
      readonly before: Before;
      readonly outcome: Outcome;
    };

/** What a pointer does. `press-index`: a press on the index, which is told what it means by an invocation. */
export type PointerDeed = 'move' | 'press' | 'press-index' | 'scroll';

/** What makes the person wish what an input leads to, where it is not the page by itself. */
export const ORIGIN_OF: Readonly<Partial<Record<DeskInput['type'], Origin>>> = {
  key: 'key',
  pointer: 'pointer',
  'let-lie': 'pointer',
  carry: 'pointer',
  invoked: 'pointer',
};

/** What came of wishes, at once. */
export interface Outcome {
  readonly events: readonly SessionEvent[];
  readonly notices: readonly Notice[];
  readonly refusal: Refusal | null;
}

/** Wishes that take effect together or not at all, and what they are about. */
export interface Submission {
  readonly wishes: readonly Wish[];
  readonly origin: Origin;
  /** How it came about, where that is more than an action of a key. */
  readonly way?: Way;
  /** The action that wishes it, and what it acts on; absent where something else does. */
  readonly acted?: { readonly action: Action; readonly target: Target | null };
  /** Whether the next question comes forward afterwards. */
  readonly answers?: boolean;
}

/** How things were before wishes took effect. */
export interface Before {
  readonly session: Session;
  readonly target: Target | null;
}

/** Something to be said, to those who hear the page and in the foot line. */
export type Saying =
  | { readonly type: 'highlight' }
  | { readonly type: 'front' }
  | { readonly type: 'cancelled' }
  | { readonly type: 'release-missed' }
  | { readonly type: 'bare-surface' }
  /** Where the walk through the index is. */
  | { readonly type: 'place' }
  /** Where the highlight of the survey is. */
  | { readonly type: 'survey' }
  /** Where the window that is placed lies. */
  | { readonly type: 'placing' }
  /** What is carried, and where the highlight is. */
  | { readonly type: 'carrying' }
  | { readonly type: 'notice'; readonly notice: Notice }
  | { readonly type: 'refusal'; readonly refusal: Refusal }
  /** What came of a wish, and where the highlight or the front went with it. */
  | {
      readonly type: 'outcome';
      readonly before: Session;
      readonly events: readonly SessionEvent[];
      readonly moved: 'highlight' | 'front' | null;
    };

/** Everything that the desk asks of who drives it. */
export type Effect =
  | { readonly type: 'submit'; readonly submission: Submission }
  /** Windows have to be laid out, which may take a while. */
  | { readonly type: 'lay-out'; readonly request: LayRequest }
  | { readonly type: 'page'; readonly request: Exclude<PageRequest, { type: 'open-dialog' }> }
  | { readonly type: 'say'; readonly saying: Saying }
  | { readonly type: 'schedule'; readonly timer: Timer }
  | { readonly type: 'cancel'; readonly timer: Timer }
  /** The key is Key Fold's: the browser does nothing for it, and if `wholly`, the page does not see it. */
  | { readonly type: 'take'; readonly wholly: boolean }
  /** A key, with its modifiers read: what it writes may teach what is printed on it. */
  | { readonly type: 'heard'; readonly input: KeyInput };
