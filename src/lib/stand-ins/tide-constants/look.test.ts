import { describe, expect, it } from 'vitest';
import { lookedAt, STEP_MS } from './look';
import { constituentsFrom, heightAt } from './tide';

const START = Date.UTC(2026, 0, 1);
const HOUR = 3_600_000;
const SILL = constituentsFrom('constituent,amplitude,phase\nZ0,3,0\nM2,1.7,160\nS2,0.6,202\nK1,0.1,20');
const led = (at: number, ...keys: string[]) => keys.reduce((now, key) => lookedAt(SILL, now, key) ?? NaN, at);

describe('the instant one looks at', () => {
  it('goes by ten minutes and by days, and back', () => {
    expect(led(START, 'ArrowRight')).toBe(START + STEP_MS);
    expect(led(START, 'ArrowRight', 'ArrowLeft')).toBe(START);
    expect(led(START, 'PageDown')).toBe(START + 24 * HOUR);
    expect(led(START, 'PageDown', 'PageUp')).toBe(START);
    expect(lookedAt(SILL, START, 'Enter')).toBeNull();
  });

  it('goes from water to water, which turn about, and back the same way', () => {
    const down = Array.from({ length: 6 }, (_, n) => led(START, ...Array<string>(n + 1).fill('ArrowDown')));
    for (const [n, at] of down.entries()) {
      const [before, here, after] = [at - HOUR, at, at + HOUR].map((instant) => heightAt(SILL, instant)) as [
        number,
        number,
        number,
      ];
      expect(here > before === here > after).toBe(true);
      if (n > 0) expect(Math.abs(led(at, 'ArrowUp') - (down[n - 1] ?? 0))).toBeLessThan(30_000);
    }
  });
});
