import { createTidePredictor } from '@neaps/tide-predictor';
import { describe, expect, it } from 'vitest';
import {
  CONSTITUENTS,
  constituentsFrom,
  heightAt,
  meanLevel,
  nextWaters,
  speedOf,
  tideCurve,
  turnings,
} from './tide';

const START = Date.UTC(2026, 0, 1);
const HOUR = 3_600_000;

describe('harmonic prediction', () => {
  it('has the published speeds, in degrees an hour', () => {
    // Schureman, "Manual of Harmonic Analysis and Prediction of Tides", table 2; quoted from memory.
    const published = { M2: 28.9841042, S2: 30, N2: 28.4397295, K1: 15.0410686, O1: 13.9430356 };
    expect(CONSTITUENTS.toSorted()).toEqual(Object.keys(published).toSorted());
    for (const [name, speed] of Object.entries(published)) expect(speedOf(name)).toBeCloseTo(speed, 6);
  });

  it('of one constituent is a cosine with its published period: M2 in 12.42 hours', () => {
    const m2 = constituentsFrom('constituent,amplitude,phase\nM2,2,0');
    const period = 360 / speedOf('M2');
    expect(period).toBeCloseTo(12.42, 2); // common practice: two tides in 24 h 50 min
    expect(heightAt(m2, START + period * HOUR)).toBeCloseTo(heightAt(m2, START), 3);
    expect(heightAt(m2, START + (period / 2) * HOUR)).toBeCloseTo(-heightAt(m2, START), 3);
  });

  it('of M2 and S2 has springs every 14.77 days, the textbook spring-neap cycle', () => {
    const beat = 360 / (speedOf('S2') - speedOf('M2')) / 24;
    expect(beat).toBeCloseTo(14.77, 2);
    const both = constituentsFrom('constituent,amplitude,phase\nM2,2,0\nS2,1,0');
    // Full moon on 3 January 2026, new moon on 18 January: with no lag the springs are then (dates from memory).
    const range = (day: number) => {
      const heights = tideCurve(both, Date.UTC(2026, 0, day), 13).map(({ height }) => height);
      return Math.max(...heights) - Math.min(...heights);
    };
    expect(range(3)).toBeGreaterThan(5.6);
    expect(range(18)).toBeGreaterThan(5.6);
    expect(range(10)).toBeLessThan(2.6);
  });

  it('agrees with an independent package, over the whole round of the moon’s node', () => {
    // @neaps/tide-predictor, which knows more of the node than the first terms: 2 % of the small constituents.
    const constants = {
      M2: [1.72, 160],
      S2: [0.58, 202],
      N2: [0.33, 139],
      K1: [0.11, 169],
      O1: [0.08, 310],
    } as const;
    const text = Object.entries(constants).map(([name, figures]) => [name, ...figures].join());
    const ours = constituentsFrom(['constituent,amplitude,phase', ...text].join('\n'));
    const theirs = createTidePredictor(
      Object.entries(constants).map(([name, [amplitude, phase]]) => ({
        name,
        amplitude,
        phase,
        speed: speedOf(name),
      })),
    );
    for (let year = 2008; year < 2030; year += 1) {
      const start = new Date(Date.UTC(year, 5, 11));
      const end = new Date(start.getTime() + 30 * HOUR);
      for (const { time, level } of theirs.getTimelinePrediction({ start, end }))
        expect(Math.abs(heightAt(ours, time.getTime()) - level)).toBeLessThan(0.01);
      const waters = theirs.getExtremesPrediction({ start, end });
      for (const { time, high } of waters.slice(1, 3)) {
        const next = nextWaters(ours, time.getTime() - HOUR).find((water) => water.high === high);
        expect(Math.abs((next?.instant ?? 0) - time.getTime())).toBeLessThan(4 * 60_000);
      }
    }
  });

  it('finds high and low waters, alternating', () => {
    const sill = constituentsFrom('constituent,amplitude,phase\nZ0,3,0\nM2,1.7,160\nK1,0.1,20');
    const waters = turnings(tideCurve(sill, START, 24));
    expect(waters.length).toBeGreaterThanOrEqual(3);
    for (const [index, water] of waters.entries())
      if (index > 0) expect(water.high).toBe(!waters[index - 1]?.high);
  });

  it('finds the next of each, in the order in which they come', () => {
    const sill = constituentsFrom('constituent,amplitude,phase\nZ0,3,0\nM2,1.7,160');
    const waters = nextWaters(sill, START);
    expect(waters.map(({ high }) => high).toSorted()).toEqual([false, true]);
    const [first, second] = waters;
    // Half a period of M2 lies between.
    expect(((second?.instant ?? 0) - (first?.instant ?? 0)) / HOUR).toBeCloseTo(6.21, 1);
    expect(nextWaters(sill, (first?.instant ?? 0) + 60_000)[0]?.high).toBe(second?.high);
    expect(meanLevel(sill)).toBe(3);
  });

  it('leaves out what it does not know or cannot read', () => {
    expect(constituentsFrom('constituent,amplitude,phase\nXX,1,0\nM2,much,0\nS2,1')).toEqual([]);
    expect(constituentsFrom('')).toEqual([]);
  });
});
