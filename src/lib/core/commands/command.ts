/**
 * A kind of command: its name, its fields as data, and what follows from it in a session. The union of wishes, the check
 * for unknown names and for lengths, and the server's rules for what it is sent all come from the fields.
 *
 * **A wish says the state that is wanted, never "the other one".** Whoever presses a toggle has seen which way it goes;
 * `hide` stays `hide` when somebody else was faster. Deciding a wish again after it has come true gives no events.
 */
import type { Course } from '../host/course';
import type { ApplicationId, DocumentId, Instant, TabId, WindowId, WorkspaceId } from '../model/ids';
import type { Placement } from '../placing/placement';
import type { Session } from '../session/session';
import type { Thing } from '../slices/places/state';
import type { Pass } from '../slices/recency/state';
import type { OwnKey, Shortcut } from '../slices/shortcuts/state';
import type { SetupChange } from '../slices/setup/state';
import type { Settings } from '../slices/settings/state';

/** The kinds of fields, and the types of their values. */
export interface FieldTypes {
  readonly window: WindowId;
  readonly application: ApplicationId;
  readonly document: DocumentId;
  readonly tab: TabId;
  readonly workspace: WorkspaceId;
  /** An entry of a list of the session's; null for the newest. */
  readonly entry: string | null;
  readonly text: string;
  readonly title: string;
  /** A kind of documents. */
  readonly kind: string;
  readonly letters: string;
  /** What search remembers a choice as. */
  readonly choice: string;
  /** The same, or null for all of them. */
  readonly choices: string | null;
  readonly flag: boolean;
  readonly placement: Placement;
  /** How many come before it. */
  readonly count: number;
  readonly settings: Settings;
  /** An application or a document, as it stands in the index. */
  readonly thing: Thing;
  /** A window that was only passed through; null if there was none. */
  readonly pass: Pass | null;
  readonly shortcut: Shortcut;
  readonly ownKey: OwnKey;
  readonly setup: SetupChange;
}
/** The name of a kind of field. */
export type FieldKind = keyof FieldTypes;

/** The kinds of fields that name one thing in a table of the session, called like the kind in the plural. */
export const NAMED = [
  'window',
  'application',
  'document',
  'workspace',
] as const satisfies readonly FieldKind[];

/** A field is of a kind, or one of some words. */
export type Field = FieldKind | readonly string[];
/** The fields of a kind of command, by name. */
export type Shape = Readonly<Record<string, Field>>;
type ValueOf<F extends Field> = F extends FieldKind
  ? FieldTypes[F]
  : F extends readonly (infer Word)[]
    ? Word
    : never;
/** The values that fields of a shape have. */
export type ValuesOf<S extends Shape> = { readonly [Name in keyof S]: ValueOf<S[Name]> };

/** A kind of command, as it is written down in `kinds/`. */
export interface CommandKind<Type extends string, S extends Shape> {
  readonly type: Type;
  readonly fields: S;
  /** Whether it can make the session larger: what would not fit is then not done at all. */
  readonly grows?: boolean;
  /** Whether it is Key Fold's own and concerns no host. */
  readonly own?: boolean;
  /** Whether, or when, only a live host can tell what comes of it: whether a window closes, or one is opened. */
  readonly unforeseen?: boolean | ((session: Session, wish: ValuesOf<S>) => boolean);
  decide(course: Course, wish: ValuesOf<S>): void;
}

/** Lets the compiler infer a kind's name and fields. */
export const commandKind = <const Type extends string, const S extends Shape>(
  kind: CommandKind<Type, S>,
): CommandKind<Type, S> => kind;

/** The wish that a kind of command carries out. */
export type WishOf<Kind> =
  Kind extends CommandKind<infer Type, infer S> ? { readonly type: Type } & ValuesOf<S> : never;

/** What every command has besides its wish: its own id (new windows are named after it) and the instant it was made. */
export interface Signed {
  readonly id: string;
  readonly at: Instant;
}
