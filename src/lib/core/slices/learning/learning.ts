/**
 * What is remembered about choices: for these letters, that was chosen. Each choice counts 1 when it is made
 * and half as much after every half-life, so the strength of a choice at time t is
 *
 *     w(t) = Σ 2^(-(t - tᵢ) / H)
 *
 * over the times tᵢ it was made (exponential decay; H is {@link HALF_LIFE_DAYS}). The sum is kept as one
 * number and one instant: w(t) = w(t₀) · 2^(-(t - t₀) / H), plus 1 when the choice is made again.
 */
import type { Instant } from '../../model/ids';
import type { LearnedChoice } from './state';

/** After so many days a choice counts half. */
export const HALF_LIFE_DAYS = 14;
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
  const now: LearnedChoice = { letters, choice, weight: 1 + (before ? strengthAt(before, at) : 0), at };
  const rest = learned.filter((other) => !same(other));
  if (rest.length >= REMEMBERED_CHOICES) {
    const weakest = rest.reduce((a, b) => (strengthAt(b, at) < strengthAt(a, at) ? b : a));
    rest.splice(rest.indexOf(weakest), 1);
  }
  return [...rest, now];
}

/** The remembered choices without everything about `choice`; without anything if `choice` is null. */
export const forget = (learned: readonly LearnedChoice[], choice: string | null): LearnedChoice[] =>
  choice === null ? [] : learned.filter((other) => other.choice !== choice);
