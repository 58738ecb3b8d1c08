/**
 * How far away things are in an order of recent use, if each use is drawn by lot from fixed shares (the independent
 * reference model). The order is the list-update rule "move to front".
 */

/**
 * The expected position of what is used next, 1 for the head: 1 + 2 Σ(i<j) pᵢpⱼ / (pᵢ + pⱼ) (J. McCabe 1965; R. Rivest
 * 1976; Knuth, TAOCP vol. 3, 6.1).
 * @param shares add up to 1
 * @example expectedPosition([0.5, 0.5]) // 1.5
 */
export function expectedPosition(shares: readonly number[]): number {
  let sum = 0;
  shares.forEach((p, i) => {
    for (const q of shares.slice(i + 1)) if (p + q > 0) sum += (p * q) / (p + q);
  });
  return 1 + 2 * sum;
}

/** Points of the integral below; more change nothing that shows. */
const POINTS = 96;

/**
 * How likely each position is, from the head on. What was used last at a random time T before now (exponential, by its
 * share) has in front of it everything that was used since, each independently with 1 − e^(−pⱼT): with u = e^(−pᵢT) that is
 * an integral over u from 0 to 1 of the distribution of a sum of independent events (Poisson binomial). Its mean is
 * {@link expectedPosition}.
 * @param shares add up to 1; those of 0 are left out
 */
export function positions(shares: readonly number[]): number[] {
  const used = shares.filter((p) => p > 0);
  const likely = new Array<number>(used.length).fill(0);
  used.forEach((p, i) => {
    const ratios = used.filter((_, j) => j !== i).map((q) => q / p);
    for (let point = 0; point < POINTS; point += 1) {
      // Midpoints of u², whose ends the integrand leaves steeply where shares differ much.
      const v = (point + 0.5) / POINTS;
      const u = v * v;
      const weight = (2 * v) / POINTS;
      const before = countDistribution(ratios.map((ratio) => 1 - u ** ratio));
      before.forEach((share, k) => {
        likely[k] = (likely[k] ?? 0) + p * weight * share;
      });
    }
  });
  return likely;
}

/** How likely it is that 0, 1, 2, … of independent events happen. */
function countDistribution(chances: readonly number[]): number[] {
  const shares = [1];
  for (const chance of chances) {
    shares.push(0);
    for (let k = shares.length - 1; k >= 0; k -= 1)
      shares[k] = (shares[k] ?? 0) * (1 - chance) + (k > 0 ? (shares[k - 1] ?? 0) * chance : 0);
  }
  return shares;
}

/** The same knowing that it is not the head: nobody goes to what is in front. All 0 where there is nothing else. */
export function positionsBehindHead(shares: readonly number[]): number[] {
  const [, ...behind] = positions(shares);
  const all = behind.reduce((sum, share) => sum + share, 0);
  return all > 0 ? behind.map((share) => share / all) : [];
}

/**
 * The expected position in the best order that never changes: the oftenest used first (Knuth, TAOCP vol. 3, 6.1).
 * @example bestFixedPosition([0.25, 0.75]) // 1.25
 */
export const bestFixedPosition = (shares: readonly number[]): number =>
  shares.toSorted((a, b) => b - a).reduce((sum, share, i) => sum + share * (i + 1), 0);
