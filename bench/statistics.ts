/** The `p`th percentile (nearest rank) of some measurements. */
export function percentile(values: readonly number[], p: number): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.ceil((p / 100) * sorted.length) - 1)] ?? Number.NaN;
}

/** The shortest of several runs of `work`, in ms: what is left when the machine's noise is taken off. */
export function fastest(runs: number, work: () => void): number {
  let best = Infinity;
  for (let run = 0; run < runs; run += 1) {
    const start = performance.now();
    work();
    best = Math.min(best, performance.now() - start);
  }
  return best;
}

/** Prints rows as an aligned table. */
export function printTable(title: string, rows: readonly Readonly<Record<string, string | number>>[]): void {
  console.log(`\n${title}`);
  console.table(rows);
}
