import type { Order } from '../../model/order';

/** The fields of this slice. */
export interface RecencyState {
  /** The two orders of recent use: of the running applications, and of all windows; most recent first. */
  readonly recent: { readonly applications: Order; readonly windows: Order };
}
