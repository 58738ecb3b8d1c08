import { describe, expect, it } from 'vitest';
import { Attempts } from './attempts';

describe('attempts', () => {
  it('cost nothing at first, then twice as long each time, up to a minute', () => {
    const attempts = new Attempts();
    const waits = Array.from({ length: 12 }, () => {
      attempts.failed('here', 0);
      return attempts.wait('here', 0);
    });
    expect(waits.slice(0, 6)).toEqual([0, 0, 1_000, 2_000, 4_000, 8_000]);
    expect(waits.at(-1)).toBe(60_000);
    expect(attempts.wait('here', 59_999)).toBe(1);
    expect(attempts.wait('here', 60_000)).toBe(0);
  });

  it('are counted for each address on its own, and forgotten by the right key', () => {
    const attempts = new Attempts();
    for (let n = 0; n < 5; n += 1) attempts.failed('here', 0);
    expect(attempts.wait('there', 0)).toBe(0);
    attempts.succeeded('here');
    expect(attempts.wait('here', 0)).toBe(0);
  });
});
