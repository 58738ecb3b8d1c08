import type { Origin } from '../commands/commands';
import type { SessionEvent } from '../session/session';
import type { Settlement } from '../slices/under-way/state';

/**
 * What the server wrote down, in one order for all pages. The events are numbered `first`, `first + 1`, … without gaps.
 * A report without events has its place too: everything before `first` comes before it. (A settlement that overtook
 * what it settles would make a page show the old state for a moment.)
 */
export interface Report {
  /** The batch that caused it; null for what happened by itself. */
  readonly batch: string | null;
  /** What made someone wish the batch, `host` for what happened by itself; absent from what older versions stored. */
  readonly origin?: Origin | 'host';
  readonly first: number;
  readonly events: readonly SessionEvent[];
  /** How the batch ended; null while more may come of it, and where there is no batch. */
  readonly settles: Settlement | null;
}

/**
 * The number of the last event up to a report's end.
 * @example lastOf({ first: 7, events: [{}, {}] }) // 8
 */
export const lastOf = ({ first, events }: Report): number => first + events.length - 1;

/**
 * How a stored report ends its batch; `takes`: whether it is the one that took it. A live host's say so by their events;
 * where those say nothing all of it happened at once.
 */
export function settlementIn(events: readonly SessionEvent[], takes: boolean): Settlement | null {
  const end = events.findLast((event) => event.type === 'batch-settled' || event.type === 'batch-taken');
  if (end) return end.type === 'batch-settled' ? end.settlement : null;
  return takes ? DONE : null;
}

/** Everything that was wished has happened. */
export const DONE: Settlement = { kind: 'done' };
