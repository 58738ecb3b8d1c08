import type { Geometry } from '../../model/geometry';
import type { ApplicationId, WindowId } from '../../model/ids';

/** What put something away. */
export type PutAwayKind = 'minimise' | 'minimise-all' | 'hide' | 'solo' | 'sweep';

/** One entry of the put-back stack: what one putting-away changed, as it was before. */
export interface PutAway {
  readonly id: string;
  readonly kind: PutAwayKind;
  /** What was put away, in words for the foot line. */
  readonly subject: string;
  /** The windows it minimised, with the geometry they had. */
  readonly windows: readonly { readonly window: WindowId; readonly geometry: Geometry }[];
  /** The applications it hid or (solo, for the one it keeps) showed, and whether they were hidden before. */
  readonly applications: readonly { readonly application: ApplicationId; readonly hidden: boolean }[];
  /** The stacking before, bottom first; null if it did not change. */
  readonly stacking: readonly WindowId[] | null;
  /** The front window before; null if it did not change. */
  readonly front: WindowId | null;
}

/** The fields of this slice. */
export interface PutAwayState {
  /** The put-back stack, oldest first. */
  readonly putAways: readonly PutAway[];
}
