import type { Extent } from '../../model/geometry';
import type { Instant } from '../../model/ids';

/**
 * What has the windows of this session. The simulated one does at once what is wished. A live one drives something outside:
 * it is sent orders, tells of its own accord what happens, and can do what its `abilities` say, which are types of
 * wishes.
 */
export type HostInfo = { readonly kind: 'simulated' } | LiveHost;

/** Something outside. */
export interface LiveHost {
  readonly kind: 'live';
  readonly name: string;
  readonly abilities: readonly string[];
  /** How large its screen is, in its pixels; absent where that is not known. */
  readonly screen?: Extent;
  /** Since when it is away and nothing can be done there; absent while it is there. */
  readonly awaySince?: Instant;
}

/** The fields of this slice. */
export interface HostState {
  readonly host: HostInfo;
}
