import type { WindowId } from '../../model/ids';

/** The fields of this slice. */
export interface FrontState {
  /** The window that has the keys; null when nothing is in front. */
  readonly front: WindowId | null;
  /** All windows from the bottom of the pile to the top. */
  readonly stacking: readonly WindowId[];
}
