import type { SetupChange } from './state';

/** What happens to a set-up as a whole; each slice takes its part of it. */
export type SetupEvents = {
  /** All of it, as one change that can be undone as `entry`. */
  'setup-changed': SetupChange & { entry: string };
  /** One change was undone. */
  'setup-put-back': { entry: string };
};
