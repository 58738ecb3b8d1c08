/**
 * When a skill is to be practised again: spaced repetition by FSRS (J. Ye et al. 2022 and later; the package's own
 * parameters, version 6). A skill that is new, or due, comes before one that is known.
 */
import { createEmptyCard, fsrs, Rating, TypeConvert, type Card, type Grade } from 'ts-fsrs';

/** How a try at a skill went. */
export type Outcome = 'missed' | 'slow' | 'good' | 'quick';

/** What is known of a skill: a card of the package, with its instants as texts. */
export type Schedule = Omit<Card, 'due' | 'last_review'> & {
  readonly due: string;
  readonly last_review?: string | undefined;
};

const GRADES: Readonly<Record<Outcome, Grade>> = {
  missed: Rating.Again,
  slow: Rating.Hard,
  good: Rating.Good,
  quick: Rating.Easy,
};
/** Without the chance that keeps cards of one day apart: what follows from tries is the same each time. */
const scheduler = fsrs({ enable_fuzz: false });

/** What is known of a skill after one more try, at an instant in ms; null before: it was the first. */
export function afterTry(before: Schedule | null, outcome: Outcome, now: number): Schedule {
  const card = before === null ? createEmptyCard(new Date(now)) : TypeConvert.card(before);
  const { due, last_review: last, ...rest } = scheduler.next(card, new Date(now), GRADES[outcome]).card;
  return { ...rest, due: due.toISOString(), ...(last && { last_review: last.toISOString() }) };
}

/** How likely it is, from 0 to 1, that a skill is still there. */
export const retrievability = (schedule: Schedule, now: number): number =>
  scheduler.get_retrievability(TypeConvert.card(schedule), new Date(now), false);

/**
 * The skill to practise next, of those that can be: one that is due, what was due first; else a new one, in their order; else
 * what is due soonest. Not the one before, unless there is no other.
 */
export function nextSkill<S extends string>(
  skills: readonly S[],
  known: Readonly<Partial<Record<S, Schedule>>>,
  before: S | null,
  now: number,
): S | null {
  const others = skills.filter((skill) => skill !== before);
  const able = others.length > 0 ? others : skills;
  const dueAt = (skill: S): number => Date.parse(known[skill]?.due ?? '');
  const seen = able.filter((skill) => known[skill]).sort((a, b) => dueAt(a) - dueAt(b));
  const [first] = seen;
  if (first !== undefined && dueAt(first) <= now) return first;
  return able.find((skill) => !known[skill]) ?? first ?? null;
}
