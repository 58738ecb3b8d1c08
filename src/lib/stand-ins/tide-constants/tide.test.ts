import { describe, expect, it } from 'vitest';
import { constituentsFrom, heightAt, SPEEDS, tideCurve, turnings } from './tide';

const START = Date.UTC(2026, 0, 1);
const HOUR = 3_600_000;

describe('harmonic prediction', () => {
  it('of one constituent is a cosine with its published period: M2 in 12.42 hours', () => {
    const m2 = constituentsFrom('constituent,amplitude,phase\nM2,2,0');
    const period = 360 / (SPEEDS['M2'] ?? 0);
    expect(period).toBeCloseTo(12.42, 2); // common practice: two tides in 24 h 50 min
    expect(heightAt(m2, START)).toBeCloseTo(2, 9);
    expect(heightAt(m2, START + (period / 2) * HOUR)).toBeCloseTo(-2, 6);
  });

  it('of M2 and S2 has springs every 14.77 days, the textbook spring-neap cycle', () => {
    const beat = 360 / ((SPEEDS['S2'] ?? 0) - (SPEEDS['M2'] ?? 0)) / 24;
    expect(beat).toBeCloseTo(14.77, 2);
    const both = constituentsFrom('constituent,amplitude,phase\nM2,2,0\nS2,1,0');
    const range = (from: number) => {
      const heights = tideCurve(both, from, 13).map(({ height }) => height);
      return Math.max(...heights) - Math.min(...heights);
    };
    expect(range(START)).toBeGreaterThan(5.8);
    expect(range(START + (beat / 2) * 24 * HOUR)).toBeLessThan(2.4);
    expect(range(START + beat * 24 * HOUR)).toBeGreaterThan(5.8);
  });

  it('finds high and low waters, alternating', () => {
    const sill = constituentsFrom('constituent,amplitude,phase\nZ0,3,0\nM2,1.7,160\nK1,0.1,20');
    const waters = turnings(tideCurve(sill, START, 24));
    expect(waters.length).toBeGreaterThanOrEqual(3);
    for (const [index, water] of waters.entries())
      if (index > 0) expect(water.high).toBe(!waters[index - 1]?.high);
  });

  it('leaves out what it does not know or cannot read', () => {
    expect(constituentsFrom('constituent,amplitude,phase\nXX,1,0\nM2,much,0')).toEqual([]);
    expect(constituentsFrom('')).toEqual([]);
  });
});
