/**
 * What is remembered about choices: for these letters, that was chosen. Each choice counts 1 when it is made
 * and half as much after every half-life, so the strength of a choice at time t is
 *
 *     w(t) = Σ 2^(-(t - tᵢ) / H)
 *
 * over the times tᵢ it was made (exponential decay; H is {@link HALF_LIFE_DAYS}). The sum is kept as one
 * number and one instant: w(t) = w(t₀) · 2^(-(t - t₀) / H), plus 1 when the choice is made again. When something else is
 * chosen for the same letters, half of it is left: what the letters mean may have changed.
 */
import type { Instant } from '../../model/ids';
import type { LearnedChoice } from './state';

/** After so many days a choice counts half. */
export const HALF_LIFE_DAYS = 14;
/** What is left of a choice when another is made for the same letters. */
export const LEFT_TO_RIVALS = 0.5;
/** How much a choice counts for letters that go on from its own, or that its own go on from. */
export const SHARE_OF_OTHER_LETTERS = 0.5;
/** Choices beyond this many are forgotten, weakest first. */
export const REMEMBERED_CHOICES = 400;

const DAY_MS = 86_400_000;

/** The factor by which a weight has shrunk between two instants, 0 to 1; time that runs backwards does not grow it. */
export function decay(from: Instant, to: Instant): number {
  const days = Math.max(0, Date.parse(to) - Date.parse(from)) / DAY_MS;
  return 2 ** (-days / HALF_LIFE_DAYS);
}

/** How strongly a choice is remembered at an instant. */
export const strengthAt = (learned: LearnedChoice, at: Instant): number =>
  learned.weight * decay(learned.at, at);

/** The remembered choices after `choice` was made for `letters` at the instant `at`. */
export function learn(
  learned: readonly LearnedChoice[],
  { letters, choice, at }: { letters: string; choice: string; at: Instant },
): LearnedChoice[] {
  const same = (other: LearnedChoice) => other.letters === letters && other.choice === choice;
  const before = learned.find(same);
  const now: LearnedChoice = {
    letters,
    choice,
    times: 1 + (before?.times ?? 0),
    weight: 1 + (before ? strengthAt(before, at) : 0),
    at,
  };
  const rest = learned
    .filter((other) => !same(other))
    .map((other) =>
      other.letters === letters ? { ...other, weight: other.weight * LEFT_TO_RIVALS } : other,
    );
  if (rest.length >= REMEMBERED_CHOICES) {
    const weakest = rest.reduce((a, b) => (strengthAt(b, at) < strengthAt(a, at) ? b : a));
    rest.splice(rest.indexOf(weakest), 1);
  }
  return [...rest, now];
}

/** The remembered choices without everything about `choice`; without anything if `choice` is null. */
export const forget = (learned: readonly LearnedChoice[], choice: string | null): LearnedChoice[] =>
  choice === null ? [] : learned.filter((other) => other.choice !== choice);

/** What is remembered, strongest first. */
export const strongest = (learned: readonly LearnedChoice[], at: Instant): LearnedChoice[] =>
  [...learned].sort((a, b) => strengthAt(b, at) - strengthAt(a, at));

/** What was learned about one choice, for some letters. */
export interface Lesson {
  /** How strongly it is remembered for these letters. */
  readonly strength: number;
  /** The letters it was chosen for, of those that count most for these, and how often. */
  readonly letters: string;
  readonly times: number;
}

/** What was learned for letters, by choice: all of it for the same letters, a share for longer and shorter ones. */
export function lessonsFor(
  letters: string,
  learned: readonly LearnedChoice[],
  at: Instant,
): Map<string, Lesson> {
  const lessons = new Map<string, Lesson & { readonly most: number }>();
  for (const choice of learned) {
    const same = choice.letters === letters;
    if (!same && !choice.letters.startsWith(letters) && !letters.startsWith(choice.letters)) continue;
    const strength = strengthAt(choice, at) * (same ? 1 : SHARE_OF_OTHER_LETTERS);
    const before = lessons.get(choice.choice);
    const told = before && before.most >= strength ? before : { ...choice, most: strength };
    lessons.set(choice.choice, {
      strength: (before?.strength ?? 0) + strength,
      letters: told.letters,
      times: told.times,
      most: told.most,
    });
  }
  return lessons;
}
