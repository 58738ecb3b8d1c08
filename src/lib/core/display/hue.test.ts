import fc from 'fast-check';
import { expect, it } from 'vitest';
import { runs } from '../../../../testing/runs';
import { hueApart } from './hue';

const hue = fc.nat(359);
const apart = (a: number, b: number) => Math.min((a - b + 360) % 360, (b - a + 360) % 360);

it('a hue that is like none of the others stays', () => {
  expect(hueApart(100, [])).toBe(100);
  expect(hueApart(100, [130, 70])).toBe(100);
});

it('one that is like another goes to the nearest that is not, round the circle too', () => {
  expect(hueApart(107, [94])).toBe(124);
  expect(hueApart(5, [10])).toBe(340);
  expect(hueApart(355, [350])).toBe(20);
});

it('is unlike all others wherever there is room', () => {
  fc.assert(
    fc.property(hue, fc.array(hue, { maxLength: 5 }), (wanted, others) =>
      others.every((other) => apart(hueApart(wanted, others), other) >= 30),
    ),
    { numRuns: runs(300) },
  );
  const full = Array.from({ length: 12 }, (_, n) => 30 * n);
  expect(hueApart(17, full)).toBe(17);
});
