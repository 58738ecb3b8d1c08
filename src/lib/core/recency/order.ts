/**
 * Orders of recent use: lists without repetition, most recent first. Every function answers with a new list,
 * or with the same one when nothing changed.
 */

/** Moves `id` to the head, adding it if it is new. */
export function toHead<T>(order: readonly T[], id: T): readonly T[] {
  if (order[0] === id) return order;
  const next = order.filter((other) => other !== id);
  next.unshift(id);
  return next;
}

/** Adds `id` at the end; one already listed stays where it is. */
export const toEnd = <T>(order: readonly T[], id: T): readonly T[] =>
  order.includes(id) ? order : [...order, id];

/** Takes `id` out. */
export const without = <T>(order: readonly T[], id: T): readonly T[] =>
  order.includes(id) ? order.filter((other) => other !== id) : order;
