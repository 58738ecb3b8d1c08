import { linearRegression } from 'simple-statistics';
import { describe, expect, it } from 'vitest';
import { Random } from '../../../../testing/random';
import { FEWEST_TRIES, powerLaw, timeAfter } from './practice';

const ns = (count: number) => Array.from({ length: count }, (_, i) => i + 1);

/** Tries that follow a law, with noise of a size, in logarithms. */
function tries(count: number, first: number, exponent: number, noise: number) {
  const random = new Random(7);
  return ns(count).map(
    (n) =>
      first * n ** -exponent * Math.exp(noise * (random.share() + random.share() + random.share() - 1.5)),
  );
}

// Newell and Rosenbloom, "Mechanisms of skill acquisition and the law of practice" (1981): T = T₁ n^(−a); from memory.
describe('the power law of practice', () => {
  it('is found where tries follow it', () => {
    const law = powerLaw(ns(500), tries(500, 3, 0.4, 0));
    expect(law?.first).toBeCloseTo(3, 8);
    expect(law?.exponent).toBeCloseTo(0.4, 8);
    expect(law?.low).toBeCloseTo(0.4, 6);
    expect(law?.high).toBeCloseTo(0.4, 6);
  });

  it('is the line through the logarithms that a regression package finds', () => {
    const times = tries(300, 2, 0.3, 0.5);
    const { m, b } = linearRegression(times.map((time, i) => [Math.log(i + 1), Math.log(time)]));
    const law = powerLaw(ns(300), times);
    expect(law?.exponent).toBeCloseTo(-m, 10);
    expect(law?.first).toBeCloseTo(Math.exp(b), 10);
  });

  it('has the true exponent within its bounds, which narrow with more tries', () => {
    const few = powerLaw(ns(40), tries(40, 2, 0.3, 0.6));
    const many = powerLaw(ns(4_000), tries(4_000, 2, 0.3, 0.6));
    for (const law of [few, many]) {
      expect(law?.low).toBeLessThan(0.3);
      expect(law?.high).toBeGreaterThan(0.3);
    }
    const width = (law: typeof few) => (law?.high ?? 0) - (law?.low ?? 0);
    expect(width(many)).toBeLessThan(width(few) / 3);
  });

  it('has bounds as wide as the textbook’s standard error of a slope', () => {
    const times = tries(60, 2, 0.3, 0.5);
    const points = times.map((time, i): [number, number] => [Math.log(i + 1), Math.log(time)]);
    const { m, b } = linearRegression(points);
    const meanX = points.reduce((sum, [x]) => sum + x, 0) / 60;
    const residual = points.reduce((sum, [x, y]) => sum + (y - b - m * x) ** 2, 0);
    const error = Math.sqrt(residual / 58 / points.reduce((sum, [x]) => sum + (x - meanX) ** 2, 0));
    const law = powerLaw(ns(60), times);
    expect((law?.high ?? 0) - (law?.exponent ?? 0)).toBeCloseTo(1.96 * error, 8);
  });

  it('says nothing of too few tries, or of one n alone', () => {
    expect(powerLaw(ns(FEWEST_TRIES - 1), tries(FEWEST_TRIES - 1, 2, 0.3, 0))).toBeNull();
    expect(powerLaw(ns(FEWEST_TRIES), tries(FEWEST_TRIES, 2, 0.3, 0))).not.toBeNull();
    expect(
      powerLaw(
        Array.from({ length: 20 }, () => 5),
        tries(20, 2, 0.3, 0.1),
      ),
    ).toBeNull();
  });

  it('tells the time for any try', () => {
    expect(timeAfter({ first: 4, exponent: 0.5, low: 0, high: 1 }, 16)).toBe(1);
  });
});
