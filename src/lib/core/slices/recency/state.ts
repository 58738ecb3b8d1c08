import type { Instant, WindowId } from '../../model/ids';
import type { Order } from '../../model/order';

/** A window on the way through a run of presses, as it was before it came forward (switching rule 14). */
export interface Pass {
  readonly window: WindowId;
  /** When it was used last. */
  readonly at: Instant | null;
  /** The window used before which it stood in the order of recent use; null at the head. */
  readonly after: WindowId | null;
  readonly minimised: boolean;
}

/** The fields of this slice. */
export interface RecencyState {
  /** The two orders of recent use: of the running applications, and of all windows; most recent first. */
  readonly recent: { readonly applications: Order; readonly windows: Order };
}
