import { NAMED, type CommandKind, type FieldKind, type Shape } from '../commands/command';
import { COMMANDS, type Command, type WishType } from '../commands/commands';
import { LONGEST_LETTERS, LONGEST_TEXT, LONGEST_TITLE, MOST_WEIGHT, MOST_WINDOWS } from '../model/limits';
import { has } from '../model/table';
import type { Session, SessionEvent } from '../session/session';
import type { Thing } from '../slices/places/state';
import { weightOf } from '../session/weight';
import { Course, Refused } from './course';
import type { Notice, Refusal } from './notice';

/** What follows from one command. */
export type Decision =
  | {
      readonly ok: true;
      readonly events: readonly SessionEvent[];
      readonly notices: readonly Notice[];
      /** The session once the events are applied. */
      readonly session: Session;
    }
  | { readonly ok: false; readonly refusal: Refusal };

/**
 * What follows from a command in a session: of a simulated host the truth, of a live one what can be foreseen.
 * Never throws for a command that merely names something unknown: that is a refusal.
 *
 * `again`: whether it is decided anew because it comes true piece by piece; what is left of it follows then.
 * @example
 * decide(sessionOf('a: a1 | b: b1'), { type: 'bring-to-front', window: 'b1', raiseAll: false, id: 'c1', at: '2026-11-24T06:00:01.000Z' }).events
 *   // [{ type: 'window-fronted', window: 'b1', at: '2026-11-24T06:00:01.000Z' }]
 */
export function decide(session: Session, command: Command, again = false): Decision {
  const kind = kindOf(command.type);
  const refusal = refusalOf(session, kind.fields, command);
  if (refusal) return { ok: false, refusal };
  const course = new Course(session, command.id, command.at, again);
  try {
    kind.decide(course, command);
  } catch (error) {
    if (error instanceof Refused) return { ok: false, refusal: error.refusal };
    throw error;
  }
  const limit = kind.grows ? limitPassed(session, course.session) : null;
  if (limit) return { ok: true, events: [], notices: [limit], session };
  return { ok: true, events: course.events, notices: course.notices, session: course.session };
}

// eslint-disable-next-line @typescript-eslint/no-explicit-any -- kinds of all shapes meet here
type AnyKind = CommandKind<WishType, any>;
const KINDS: ReadonlyMap<string, AnyKind> = new Map(COMMANDS.map((kind) => [kind.type, kind]));

/** @throws RangeError for a type that there is not. */
export function kindOf(type: WishType): AnyKind {
  const kind = KINDS.get(type);
  if (!kind) throw new RangeError(`There is no command '${type}'.`);
  return kind;
}

/** What would not fit is not done at all, so that every session can be exported and imported again. */
function limitPassed(before: Session, after: Session): Notice | null {
  const windows = after.stacking.length;
  if (windows > MOST_WINDOWS && windows > before.stacking.length) return { type: 'too-many-windows' };
  const weight = weightOf(after);
  return weight > MOST_WEIGHT && weight > weightOf(before) ? { type: 'session-full' } : null;
}

/** The kinds of fields that have a longest length. */
const LONGEST: Readonly<Partial<Record<FieldKind, number>>> = {
  text: LONGEST_TEXT,
  title: LONGEST_TITLE,
  letters: LONGEST_LETTERS,
};

const namedByThing = (thing: Thing): [(typeof NAMED)[number], string] =>
  typeof thing === 'string' ? ['application', thing] : ['document', thing.document];

/** A command is refused when it names something that the session does not have, or is longer than can be kept. */
function refusalOf(session: Session, fields: Shape, command: Command): Refusal | null {
  const values = command as unknown as Readonly<Record<string, unknown>>;
  for (const [field, kind] of Object.entries(fields)) {
    const value = values[field];
    const [named, id] =
      kind === 'thing' ? namedByThing(value as Thing) : [NAMED.find((one) => one === kind), value];
    if (named && typeof id === 'string' && !has(session[`${named}s`], id))
      return { field, detail: `There is no ${named} '${id}'.` };
    const longest = typeof kind === 'string' ? LONGEST[kind] : undefined;
    if (longest !== undefined && (value as string).length > longest)
      return { field, detail: `The ${field} is longer than ${longest} characters.` };
  }
  return null;
}
