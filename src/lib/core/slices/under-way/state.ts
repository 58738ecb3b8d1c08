/** How a batch ended. `no-answer`: nobody waits for it any more; what it still does is observed like anything else. */
export type Settlement =
  | { readonly kind: 'done' }
  | { readonly kind: 'refused'; readonly detail: string }
  | { readonly kind: 'no-answer' };

/** The fields of this slice. */
export interface UnderWayState {
  /** The batches that a live host was given and has not settled, oldest first. */
  readonly underWay: readonly string[];
}
