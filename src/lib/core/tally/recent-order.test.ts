import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Random } from '../../../../testing/random';
import { runs } from '../../../../testing/runs';
import { toHead } from '../model/order';
import { bestFixedPosition, expectedPosition, positions, positionsBehindHead } from './recent-order';

const normal = (weights: readonly number[]) => {
  const all = weights.reduce((sum, weight) => sum + weight, 0);
  return weights.map((weight) => weight / all);
};
const uniform = (n: number) => normal(Array.from({ length: n }, () => 1));
const zipf = (n: number) => normal(Array.from({ length: n }, (_, i) => 1 / (i + 1)));
const mean = (shares: readonly number[]) => shares.reduce((sum, share, i) => sum + share * (i + 1), 0);

// Values from memory: J. McCabe, "On serial files with relocatable records", Operations Research 13 (1965); R. Rivest, "On
// self-organizing sequential search heuristics", CACM 19 (1976); D. Knuth, The Art of Computer Programming vol. 3, 6.1.
describe('the expected position in an order of recent use, against the textbooks', () => {
  it('is 1.5 of two that are used alike, (n + 1) / 2 of n', () => {
    expect(expectedPosition([0.5, 0.5])).toBe(1.5);
    for (const n of [1, 2, 3, 10, 25]) expect(expectedPosition(uniform(n))).toBeCloseTo((n + 1) / 2, 10);
  });

  it('is n / Hₙ of the best order that never changes, under Zipf’s law', () => {
    for (const n of [2, 5, 30]) {
      const harmonic = Array.from({ length: n }, (_, i) => 1 / (i + 1)).reduce((sum, x) => sum + x, 0);
      expect(bestFixedPosition(zipf(n))).toBeCloseTo(n / harmonic, 10);
    }
  });

  it('nears 2 ln 2 times that under Zipf’s law, the more there are', () => {
    const ratio = (n: number) => expectedPosition(zipf(n)) / bestFixedPosition(zipf(n));
    expect(ratio(2_000)).toBeCloseTo(2 * Math.log(2), 2);
    expect(Math.abs(ratio(2_000) - 2 * Math.log(2))).toBeLessThan(Math.abs(ratio(200) - 2 * Math.log(2)));
  });
});

describe('the distribution of positions', () => {
  it('has the expected position as its mean, and adds up to 1', () => {
    for (const shares of [uniform(2), uniform(7), zipf(12), normal([50, 10, 1, 1])]) {
      const likely = positions(shares);
      expect(likely.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 6);
      expect(mean(likely)).toBeCloseTo(expectedPosition(shares), 2);
    }
  });

  it('is what a simulated order of recent use shows, our own order at work', () => {
    const shares = normal([8, 4, 2, 1, 1]);
    const random = new Random(20_261_127);
    let order = shares.map((_, i) => ({ id: `${i}`, at: null as string | null }));
    const seen = shares.map(() => 0);
    const draws = 40_000;
    for (let draw = 0; draw < draws; draw += 1) {
      let left = random.share();
      const id = `${Math.max(
        0,
        shares.findIndex((share) => (left -= share) < 0),
      )}`;
      const at = order.findIndex((entry) => entry.id === id);
      seen[at] = (seen[at] ?? 0) + 1;
      order = [...toHead(order, id, '2026-11-24T06:00:00.000Z')];
    }
    positions(shares).forEach((share, i) => expect((seen[i] ?? 0) / draws).toBeCloseTo(share, 1));
  });

  it('knowing that it is not the head, is always one step of two', () => {
    expect(positionsBehindHead([0.9, 0.1])).toEqual([1]);
    expect(positionsBehindHead([1])).toEqual([]);
    expect(positionsBehindHead([])).toEqual([]);
  });

  it('leaves out what is never used', () => {
    expect(positions([0.5, 0, 0.5])).toHaveLength(2);
  });
});

it('costs at most twice what any fixed order costs, less the searches (Sleator and Tarjan, CACM 28(2), 1985)', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 2, max: 8 }).chain((n) =>
        fc.record({
          n: fc.constant(n),
          asked: fc.array(fc.integer({ min: 0, max: n - 1 }), { minLength: 1, maxLength: 80 }),
        }),
      ),
      ({ n, asked }) => {
        let order = Array.from({ length: n }, (_, i) => ({ id: `${i}`, at: null as string | null }));
        let recent = 0;
        for (const item of asked) {
          recent += order.findIndex(({ id }) => id === `${item}`) + 1;
          order = [...toHead(order, `${item}`, '2026-11-24T06:00:00.000Z')];
        }
        // The list begins in the order of the fixed one, as the theorem has it.
        const fixed = asked.reduce((sum, item) => sum + item + 1, 0);
        return recent <= 2 * fixed - asked.length;
      },
    ),
    { numRuns: runs(300) },
  );
});
