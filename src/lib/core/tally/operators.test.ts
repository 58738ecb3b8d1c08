import { describe, expect, it } from 'vitest';
import { fittsSeconds, KEY_BY_TYPIST, keysSeconds, pointerSeconds, PUBLISHED } from './operators';

// Card, Moran and Newell, "The keystroke-level model for user performance time with interactive systems", CACM 23(7), 1980,
// and "The Psychology of Human-Computer Interaction" (1983); values from memory.
describe('the keystroke-level model', () => {
  it('has the published operators', () => {
    expect(PUBLISHED).toEqual({ key: 0.2, pointing: 1.1, homing: 0.4, mental: 1.35 });
    expect(Object.values(KEY_BY_TYPIST)).toEqual([0.08, 0.12, 0.2, 0.28, 0.5, 0.75, 1.2]);
    expect(PUBLISHED.key).toBe(KEY_BY_TYPIST.averageSkilled);
  });

  it('adds them up: H P K H for the pointer, K for each key and M for each look', () => {
    expect(pointerSeconds(PUBLISHED)).toBeCloseTo(0.4 + 1.1 + 0.2 + 0.4, 10);
    expect(keysSeconds(PUBLISHED, 3, 1)).toBeCloseTo(3 * 0.2 + 1.35, 10);
  });
});

it('pointing takes longer the farther and the smaller: 1.03 + 0.096 log₂(D/S + ½) (Card, English, Burr 1978, from memory)', () => {
  expect(fittsSeconds(160, 20)).toBeCloseTo(1.03 + 0.096 * Math.log2(8.5), 10);
  // The published mean of pointing, 1.1 s, lies within what it gives for common targets.
  expect(fittsSeconds(50, 40)).toBeLessThan(PUBLISHED.pointing + 0.1);
  expect(fittsSeconds(1_000, 20)).toBeGreaterThan(PUBLISHED.pointing);
});
