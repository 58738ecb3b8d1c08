/**
 * Orders of recent use: who was used, and when, most recent first and without repetition. Every function answers
 * with a new list, or with the same one when nothing changed.
 */
import type { Instant } from './ids';

/** One place in an order: an id, and when it was last used; null if it never was. */
export interface Use {
  readonly id: string;
  readonly at: Instant | null;
}

/** Most recent first; no id twice. */
export type Order = readonly Use[];

/**
 * Moves `id` to the head as used at `at`, adding it if it is new.
 * @example toHead([{ id: 'a', at: '06:00' }, { id: 'b', at: null }], 'b', '06:01')
 *   // [{ id: 'b', at: '06:01' }, { id: 'a', at: '06:00' }]
 */
export function toHead(order: Order, id: string, at: Instant): Order {
  const next = order.filter((use) => use.id !== id);
  next.unshift({ id, at });
  return next;
}

/**
 * Puts `id` where a use at `at` belongs: behind what was used later, or at the same time and seen. A later use of its own
 * stands.
 * @example used([{ id: 'a', at: '06:02' }], 'b', '06:01')
 *   // [{ id: 'a', at: '06:02' }, { id: 'b', at: '06:01' }]
 */
export function used(order: Order, id: string, at: Instant): Order {
  const before = usedAt(order, id);
  if (before !== null && before >= at) return order;
  const rest = without(order, id);
  const behind = rest.findIndex((use) => use.at === null || use.at < at);
  return rest.toSpliced(behind === -1 ? rest.length : behind, 0, { id, at });
}

/**
 * Gives an id back the use it had, right behind `after`, or at the head if that is null: as if what it was used for since
 * had not happened. If `after` is gone it goes where its use belongs. `ahead` stays ahead of it in any case.
 * @example backTo([{ id: 'a', at: '06:02' }, { id: 'b', at: '06:01' }], { id: 'a', at: '06:00' }, 'b')
 *   // [{ id: 'b', at: '06:01' }, { id: 'a', at: '06:00' }]
 */
export function backTo(order: Order, use: Use, after: string | null, ahead: string | null = null): Order {
  const rest = without(order, use.id);
  if (rest === order) return order;
  const least = rest.findIndex(({ id }) => id === ahead) + 1;
  return rest.toSpliced(Math.max(least, placeAfter(rest, use, after)), 0, use);
}

function placeAfter(rest: Order, { at }: Use, after: string | null): number {
  const found = rest.findIndex(({ id }) => id === after);
  if (after === null || found >= 0) return found + 1;
  const behind = at === null ? -1 : rest.findIndex((one) => one.at === null || one.at <= at);
  return behind === -1 ? rest.length : behind;
}

/** Adds `id` at the end as never used; one already listed stays where it is. */
export const toEnd = (order: Order, id: string): Order =>
  order.some((use) => use.id === id) ? order : [...order, { id, at: null }];

/** Takes `id` out. */
export const without = (order: Order, id: string): Order =>
  order.some((use) => use.id === id) ? order.filter((use) => use.id !== id) : order;

/** When `id` was last used; null if it never was or is not listed. */
export const usedAt = (order: Order, id: string): Instant | null =>
  order.find((use) => use.id === id)?.at ?? null;

/** The ids of an order, most recent first. */
export const idsOf = (order: Order): string[] => order.map((use) => use.id);

/**
 * Whether a list names each of some different ids once, and nothing else, in whatever order.
 * @example isPermutation(['b', 'a'], ['a', 'b']) // true
 */
export function isPermutation(list: readonly string[], of: readonly string[]): boolean {
  const set = new Set(list);
  return list.length === of.length && set.size === list.length && of.every((id) => set.has(id));
}
