import type { ApplicationId, WindowId } from '../../model/ids';
import type { PlacedWindow } from '../windows/events';
import type { Workspace } from '../workspaces/state';

/** What put something away, or changed what can be put back like that: two windows side by side, a workspace that is gone. */
export type PutAwayKind =
  'minimise' | 'minimise-all' | 'hide' | 'solo' | 'sweep' | 'pair' | 'remove-workspace';

/** One entry of the put-back stack: what one putting-away changed, as it was before. */
export interface PutAway {
  readonly id: string;
  readonly kind: PutAwayKind;
  /** What was put away, in words for the foot line. */
  readonly subject: string;
  /** The windows it minimised or placed, as they lay before. */
  readonly windows: readonly PlacedWindow[];
  /** The applications it hid or (solo, for the one it keeps) showed, and whether they were hidden before. */
  readonly applications: readonly { readonly application: ApplicationId; readonly hidden: boolean }[];
  /** The workspace it removed, and what was there; absent for all others. */
  readonly workspace?: RemovedWorkspace;
  /** The stacking before, bottom first; null if it did not change. */
  readonly stacking: readonly WindowId[] | null;
  /** The front window before; null if it did not change. */
  readonly front: WindowId | null;
}

/** A workspace that was removed. */
export interface RemovedWorkspace {
  readonly workspace: Workspace;
  /** So many from the first one. */
  readonly at: number;
  /** Whether it was shown. */
  readonly shown: boolean;
  readonly windows: readonly WindowId[];
  /** Where they went. */
  readonly to: string;
}

/** The fields of this slice. */
export interface PutAwayState {
  /** The put-back stack, oldest first. */
  readonly putAways: readonly PutAway[];
}
