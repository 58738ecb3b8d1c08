import type { Instant } from '../../model/ids';

/** What happens to what search remembers. */
export type LearningEvents = {
  'choice-learned': { letters: string; choice: string; at: Instant };
  /** Everything about one choice is forgotten, or about all of them. */
  'choices-forgotten': { choice: string | null };
};
