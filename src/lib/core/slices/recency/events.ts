import type { Instant, WindowId } from '../../model/ids';
import type { Pass } from './state';

/** What counts as a use without a window coming forward, and what does not count though one did. */
export type RecencyEvents = {
  /** It was in front too briefly for a live host to see it there; being used counts all the same. */
  'window-used': { window: WindowId; at: Instant };
  /** It was in front on the way to another one only: that was no use (switching rule 14). */
  'window-passed': { pass: Pass };
};
