import { formatDistanceStrict } from 'date-fns';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { clockText, durationText } from './times';

const NOW = new Date('2026-11-24T12:00:00.000Z');

describe('how long ago', () => {
  it.each([
    [0, '0 seconds', '0 secs'],
    [59.9, '59 seconds', '59 secs'],
    [60, '1 minute', '1 min'],
    [3_599, '59 minutes', '59 mins'],
    [3_600, '1 hour', '1 hr'],
    [26 * 3_600, '1 day', '1 day'],
    [-5, '0 seconds', '0 secs'],
  ])('%d seconds', (seconds, long, short) => {
    const from = new Date(NOW.getTime() - seconds * 1_000).toISOString();
    expect(durationText(from, NOW)).toBe(long);
    expect(durationText(from, NOW, 'short')).toBe(short);
  });

  it('is what date-fns says, rounding down', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 29 * 86_400 }), (seconds) => {
        const from = new Date(NOW.getTime() - seconds * 1_000);
        const theirs = formatDistanceStrict(from, NOW, { roundingMethod: 'floor' });
        expect(durationText(from.toISOString(), NOW)).toBe(theirs);
      }),
    );
  });
});

it('the clock names the day', () => {
  expect(clockText(new Date(2026, 10, 24, 6, 12))).toBe('Tue 24 Nov 06:12');
});
