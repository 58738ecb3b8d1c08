/** What is practised: each skill is some keys, and a task in which they are the shortest way. */
import { DIGITS, type Digit } from '../slices/places/state';
import type { Way } from '../tally/way';

/** In the order in which they are learned. */
export const SKILLS = [
  'flip',
  'steps',
  ...DIGITS.map((digit) => `place-${digit}` as const),
  'window-step',
  'search',
  'put-away',
  'end-hung',
] as const;
/** One of them. */
export type Skill = (typeof SKILLS)[number];

/** The digit of a skill that is about a place; null for others. */
export const digitOfSkill = (skill: Skill): Digit | null =>
  DIGITS.find((digit) => skill === `place-${digit}`) ?? null;

/**
 * The skill that practises a way, with the digit where what it leads to stands; null where no drill does.
 * @example skillFor('place', '3') // 'place-3'
 */
export function skillFor(way: Way, digit: Digit | null): Skill | null {
  switch (way) {
    case 'place':
      return digit === null ? null : `place-${digit}`;
    case 'step':
      return 'steps';
    case 'window-step':
    case 'search':
      return way;
    default:
      return null;
  }
}
