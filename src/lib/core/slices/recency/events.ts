import type { Instant, WindowId } from '../../model/ids';

/** What counts as a use without a window coming forward. */
export type RecencyEvents = {
  /** It was in front too briefly for a live host to see it there; being used counts all the same. */
  'window-used': { window: WindowId; at: Instant };
};
