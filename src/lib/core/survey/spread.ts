/**
 * Starts for pieces in a row, in their order and at least `gap` apart within 0..`room`, as near as can be to the starts that
 * they wish for (least sum of squares). Neighbours that are in each other’s way are pooled: isotonic regression, exact and
 * linear (R. E. Barlow et al., “Statistical Inference under Order Restrictions”, 1972; from memory). The pieces must fit.
 * @example spread([10, 10], [0, 0], 2, 100) // [0, 12]
 */
export function spread(
  lengths: readonly number[],
  wishes: readonly number[],
  gap: number,
  room: number,
): number[] {
  const pools: { sum: number; count: number }[] = [];
  const offsets: number[] = [];
  let offset = 0;
  for (const [index, length] of lengths.entries()) {
    offsets.push(offset);
    let pool = { sum: (wishes[index] ?? 0) - offset, count: 1 };
    for (
      let last = pools.at(-1);
      last && last.sum / last.count >= pool.sum / pool.count;
      last = pools.at(-1)
    ) {
      pool = { sum: pool.sum + last.sum, count: pool.count + last.count };
      pools.pop();
    }
    pools.push(pool);
    offset += length + gap;
  }
  const slack = Math.max(0, room - (offset - gap));
  const shifts = pools.flatMap(({ sum, count }) =>
    new Array<number>(count).fill(Math.min(Math.max(sum / count, 0), slack)),
  );
  return offsets.map((at, index) => at + (shifts[index] ?? 0));
}
