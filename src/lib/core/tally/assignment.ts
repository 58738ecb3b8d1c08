/**
 * Who gets what, so that all of it together is worth most (the assignment problem), by the Hungarian method: H. W. Kuhn 1955;
 * here in the form with potentials, one shortest path for each row (J. Munkres 1957; R. Jonker, A. Volgenant 1987).
 */

/**
 * The column of each row; null where a row is better off with none.
 * @param worth worth[row][column]; what is not above 0 is not worth having
 * @example bestAssignment([[3, 2], [3, 1]]) // [1, 0]
 */
export function bestAssignment(worth: readonly (readonly number[])[]): (number | null)[] {
  const columns = worth[0]?.length ?? 0;
  // Each row can have a column of its own that is worth nothing.
  const width = columns + worth.length;
  const costOf = (row: number, column: number): number =>
    column < columns ? -Math.max(0, worth[row]?.[column] ?? 0) : 0;
  const rowPotential = new Float64Array(worth.length);
  const potential = new Float64Array(width);
  const rowOf = new Int32Array(width).fill(-1);
  for (let start = 0; start < worth.length; start += 1) {
    const shortest = new Float64Array(width).fill(Infinity);
    const before = new Int32Array(width).fill(-1);
    const done = new Uint8Array(width);
    let row = start;
    let last = -1;
    let length = 0;
    // Dijkstra over columns, along reduced costs, until one is free.
    for (;;) {
      let next = -1;
      for (let column = 0; column < width; column += 1) {
        if (done[column]) continue;
        const reduced = costOf(row, column) - (rowPotential[row] ?? 0) - (potential[column] ?? 0);
        if (length + reduced < (shortest[column] ?? 0)) {
          shortest[column] = length + reduced;
          before[column] = last;
        }
        if (next === -1 || (shortest[column] ?? 0) < (shortest[next] ?? 0)) next = column;
      }
      done[next] = 1;
      length = shortest[next] ?? 0;
      last = next;
      const taken = rowOf[next] ?? -1;
      if (taken === -1) break;
      row = taken;
    }
    rowPotential[start] = (rowPotential[start] ?? 0) + length;
    for (let column = 0; column < width; column += 1) {
      if (!done[column] || column === last) continue;
      const gained = length - (shortest[column] ?? 0);
      potential[column] = (potential[column] ?? 0) - gained;
      const taken = rowOf[column] ?? -1;
      rowPotential[taken] = (rowPotential[taken] ?? 0) + gained;
    }
    // Along the path each row gives its column to the one before.
    for (let column = last; column !== -1;) {
      const from = before[column] ?? -1;
      rowOf[column] = from === -1 ? start : (rowOf[from] ?? -1);
      column = from;
    }
  }
  const found = worth.map((): number | null => null);
  rowOf.forEach((row, column) => {
    if (row !== -1 && column < columns && (worth[row]?.[column] ?? 0) > 0) found[row] = column;
  });
  return found;
}
