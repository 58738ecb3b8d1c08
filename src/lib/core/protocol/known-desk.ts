import type { Instant } from '../model/ids';

/** A desk that a server tells of: what it is, and what it is called. */
export interface KnownDesk {
  readonly id: string;
  readonly title: string;
  readonly kind: 'display' | 'demo';
  /** Since when a display is away; null for others, and while it is there. */
  readonly awaySince: Instant | null;
}
