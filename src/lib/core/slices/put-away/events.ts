import type { PutAway } from './state';

/** What happens to the put-back stack. */
export type PutAwayEvents = {
  'put-away': { entry: PutAway };
  /** These entries left the stack: one was put back, those with it had nothing left to put back. */
  'put-back': { entries: readonly string[] };
  /** The newest `levels` entries left the stack, as it was said before entries had ids. */
  'put-back-levels': { levels: number };
};
