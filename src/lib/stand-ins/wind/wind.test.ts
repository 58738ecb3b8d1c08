import { describe, expect, it } from 'vitest';
import { beaufort, bearingOf, forceText, nthAt, windsFrom } from './wind';

describe('the wind', () => {
  it('has the Beaufort force whose speed the formula of the scale gives: v = 0.836·B^1.5 m/s', () => {
    // The formula as in the WMO’s report on the Beaufort scale of wind force, quoted from memory; a knot is 1,852 m an hour.
    for (let force = 0; force <= 12; force += 1)
      expect(beaufort((0.836 * force ** 1.5 * 3600) / 1852)).toBe(force);
    expect([3, 4, 33, 34, 63, 64, 120].map(beaufort)).toEqual([1, 2, 7, 8, 11, 12, 12]);
    expect(forceText(24)).toBe('6, strong breeze');
  });

  it('comes from one of sixteen points', () => {
    expect(['N', 'E', 'sw', 'WSW', 'NNW'].map(bearingOf)).toEqual([0, 90, 225, 247.5, 337.5]);
    expect(bearingOf('up')).toBeNull();
  });

  it('is read by the hour, and what tells nothing is left out', () => {
    const text =
      'Time,From,Mean,Gusts,Sea\n09:00,SW,17 kn,24 kn,moderate\n06:30,W,14 kn,,slight\nsoon,W,1,1,x\n10:00,up,1,1,x';
    const winds = windsFrom(text);
    expect(winds).toEqual([
      { time: '06:30', hour: 6.5, from: 'W', mean: 14, gusts: 14, sea: 'slight' },
      { time: '09:00', hour: 9, from: 'SW', mean: 17, gusts: 24, sea: 'moderate' },
    ]);
    expect([5, 6.5, 8, 9, 23].map((hour) => nthAt(winds, hour))).toEqual([0, 0, 0, 1, 1]);
  });
});
