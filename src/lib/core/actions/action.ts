/**
 * Everything that a person can do, as one object each. Key map, legends, search, buttons and the list of keys are
 * views of it (see `views/`). To add one: docs/adding-an-action.md.
 */
import type { Wish } from '../commands/commands';
import type { DeskOrder } from '../desk/order';
import type { Notice } from '../host/notice';
import type { ApplicationId, WindowId } from '../model/ids';
import type { Session } from '../session/session';
import type { Binding } from './binding';
import { targetFor, type Target, type TargetKind, type TargetTypes } from './target';

/** What the page is asked for. */
export type PageRequest =
  | { readonly type: 'open-dialog'; readonly dialog: DialogName }
  | { readonly type: 'export' }
  /** Takes up the first minutes, or leaves them. */
  | { readonly type: 'first-minutes' }
  /** Goes to where keys are practised. */
  | { readonly type: 'drill' }
  /** Listens to the coach, or no more. */
  | { readonly type: 'coach' }
  /** The keys go to the foot line, or back to the front window. */
  | { readonly type: 'keys-to'; readonly section: 'foot' | 'front' }
  /** Fills the screen with the page, or no longer. */
  | { readonly type: 'full-screen' }
  /** Runs a program's own action on what a window shows, and says what it answers. */
  | {
      readonly type: 'run-program';
      readonly kind: string;
      readonly action: string;
      readonly application: ApplicationId;
      /** Null where it needs none. */
      readonly window: WindowId | null;
    };
/** The dialogs that an action can open. */
export type DialogName =
  | 'settings'
  | 'keys'
  | 'workspaces'
  | 'desks'
  | 'place-menu'
  | 'menu'
  | 'shortcuts'
  | 'reach-check'
  | 'guests'
  | 'hand-over'
  | 'tally'
  | 'roll-call'
  | 'lock'
  | 'passphrase'
  | 'key-sheet'
  | 'capture'
  | 'picture';

/** What an action does, as data: it wishes something of the session, or asks something of the page or of the desk. */
export type Deed =
  | { readonly to: 'session'; readonly wish: Wish }
  | { readonly to: 'page'; readonly request: PageRequest }
  | { readonly to: 'desk'; readonly order: DeskOrder };

/** Whether something can be done now: what it does, or why it cannot be done. */
export type Offer = { readonly does: readonly Deed[] } | { readonly not: Notice };

/** What an action is called. */
export interface Words {
  /** What it does, in full, for search and the list of keys: "Minimise the front window". */
  readonly title: string;
  /** One or two words, for legends and buttons. */
  readonly short: string;
  /** What people call it, or what it undoes, for search. */
  readonly synonyms: readonly string[];
}

/** Where lists of actions put it. What puts away or ends is never all that scattered letters find. */
export const GROUPS = [
  'find',
  'index',
  'shortcut',
  'put-away',
  'end',
  'surface',
  'placing',
  'tab',
  'workspace',
  'bring-back',
  'program',
  'page',
] as const;
/** One of the groups. */
export type Group = (typeof GROUPS)[number];

/**
 * Which auto-repeats of its key count, and whether the release means something: `while-down` actions are invoked with
 * the press and with the release.
 */
export type Press = 'once' | 'repeats' | 'while-down';

/** How it was invoked, where that matters. */
export interface Moment {
  readonly repeat: boolean;
  readonly released: boolean;
}
/** Invoked by a first press, or by anything but a key. */
export const FRESH: Moment = { repeat: false, released: false };

/** An action with its argument, if it takes one: what a key, a button or a result of search stands for. */
export interface Invocation {
  readonly action: string;
  readonly argument: string | null;
}

/** An action as everybody but its author sees it. */
export interface Action {
  readonly id: string;
  readonly group: Group;
  readonly press: Press;
  readonly acts: TargetKind;
  /** Whether invoking it on a row that waits for an answer passes on to the next one that does not (rule 11). */
  readonly passesOn: boolean;
  /**
   * Whether, now that it was done to a target, letting go should bring nothing to the front: that would undo what was
   * done (switching rule 11).
   */
  leavesNothing(session: Session, target: Target | null): boolean;
  /** Whether search offers it; what only moves the desk itself makes no sense there. */
  readonly searched: boolean;
  /** Whether legends explain its key; what is rarely needed, or says its key where it is needed, they leave out. */
  readonly explained: boolean;
  /** What it can be invoked with now, e.g. the ten places; `[null]` for an action without argument. */
  arguments(session: Session): readonly (string | null)[];
  /** What the list of keys calls all its invocations together; null where each is a line of its own. */
  readonly together: string | null;
  words(argument: string | null, session: Session): Words;
  /** Its keys as it comes; a person may have chosen others. */
  keys(argument: string | null, session: Session): readonly Binding[];
  offer(session: Session, target: Target | null, argument: string | null, moment: Moment): Offer;
}

interface Common<Kind extends TargetKind> {
  readonly id: string;
  readonly group: Group;
  readonly press?: Press;
  readonly acts: Kind;
  readonly passesOn?: boolean;
  readonly searched?: boolean;
  readonly explained?: boolean;
  leavesNothing?(session: Session, target: TargetTypes[Kind]): boolean;
}

interface Single<Kind extends TargetKind> extends Common<Kind> {
  readonly words: Words;
  readonly keys?: readonly Binding[];
  /** Only what no command would say itself has to be refused here: see {@link Registry.offer}. */
  offer(session: Session, target: TargetTypes[Kind], moment: Moment): Offer;
}

interface Family<Kind extends TargetKind, Argument extends string> extends Common<Kind> {
  readonly together?: string;
  arguments(session: Session): readonly Argument[];
  words(argument: Argument, session: Session): Words;
  keys?(argument: Argument, session: Session): readonly Binding[];
  offer(session: Session, target: TargetTypes[Kind], argument: Argument, moment: Moment): Offer;
}

/** Makes an action; the compiler knows the kind of its target. */
export const action = <const Kind extends TargetKind>(spec: Single<Kind>): Action => ({
  ...common(spec),
  together: null,
  arguments: () => [null],
  words: () => spec.words,
  keys: () => spec.keys ?? [],
  offer: (session, given, _argument, moment) =>
    aimed(spec, given, (target) => spec.offer(session, target, moment)),
});

/**
 * Makes an action with an argument: one object for ten places, or for as many shortcuts as there are. The types of
 * target and argument hide behind strings, so that actions of all kinds fit in one list. (Functions that take different
 * arguments have no common type but `never`.)
 */
export const actionFamily = <const Kind extends TargetKind, Argument extends string>(
  spec: Family<Kind, Argument>,
): Action => ({
  ...common(spec),
  together: spec.together ?? null,
  arguments: (session) => spec.arguments(session),
  words: (argument, session) => spec.words(argument as Argument, session),
  keys: (argument, session) => spec.keys?.(argument as Argument, session) ?? [],
  offer(session, given, argument, moment) {
    if (!spec.arguments(session).some((one) => one === argument)) return not({ type: 'not-there' });
    return aimed(spec, given, (target) => spec.offer(session, target, argument as Argument, moment));
  },
});

const common = <Kind extends TargetKind>(spec: Common<Kind>) => ({
  id: spec.id,
  group: spec.group,
  press: spec.press ?? 'once',
  acts: spec.acts,
  passesOn: spec.passesOn ?? false,
  searched: spec.searched ?? true,
  explained: spec.explained ?? true,
  leavesNothing(session: Session, given: Target | null) {
    const target = targetFor(spec.acts, given);
    return target !== undefined && spec.leavesNothing?.(session, target) === true;
  },
});

function aimed<Kind extends TargetKind>(
  { acts }: Common<Kind>,
  given: Target | null,
  offer: (target: TargetTypes[Kind]) => Offer,
): Offer {
  const target = targetFor(acts, given);
  return target === undefined ? not({ type: 'no-window-here' }) : offer(target);
}

/** It wishes something of the session. */
export const wishes = (...all: readonly Wish[]): Offer => ({
  does: all.map((wish) => ({ to: 'session', wish })),
});
/** It asks something of the page. */
export const asksPage = (request: PageRequest): Offer => ({ does: [{ to: 'page', request }] });
/** It asks something of the desk. */
export const ordersDesk = (order: DeskOrder): Offer => ({ does: [{ to: 'desk', order }] });
/** It cannot be done now. */
export const not = (reason: Notice): Offer => ({ not: reason });
