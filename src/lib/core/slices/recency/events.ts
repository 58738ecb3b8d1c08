import type { Instant, WindowId } from '../../model/ids';

export type RecencyEvents = {
  /** It was in front too briefly for a live host to see it there; being used counts all the same. */
  'window-used': { window: WindowId; at: Instant };
};
