import type { Slice } from '../slice';
import type { LearningEvents } from './events';
import { forget, learn } from './learning';
import type { LearningState } from './state';

/** What search remembers of choices. */
export const learning: Slice<LearningState, LearningEvents, object, object> = {
  name: 'learning',
  initial: { learned: [] },
  own: { 'choice-learned': 'when-taken', 'choices-forgotten': 'when-taken' },
  on: {
    'choice-learned': ({ learned }, event) => ({ learned: learn(learned, event) }),
    'choices-forgotten': ({ learned }, { choice }) => ({ learned: forget(learned, choice) }),
  },
};
