import type { Instant } from '../../model/ids';

/** How strongly one choice is remembered for the letters that led to it (see `learning.ts`). */
export interface LearnedChoice {
  readonly letters: string;
  readonly choice: string;
  /** How often it was chosen for them since it was learned. */
  readonly times: number;
  /** Weight at the instant `at`; it halves with every half-life since. */
  readonly weight: number;
  readonly at: Instant;
}

/** The fields of this slice. */
export interface LearningState {
  readonly learned: readonly LearnedChoice[];
}
