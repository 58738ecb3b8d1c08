import type { Places } from './state';

/** What happens to the index. */
export type PlacesEvents = {
  /** All ten places at once; what they were before can be had back as `entry`. */
  'places-changed': { places: Places; entry: string };
  /** They are as they were before the change `entry`; it and what came after it can be undone no more. */
  'places-put-back': { entry: string };
};
