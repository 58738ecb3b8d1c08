/** The sizes of the switcher on screens of every size. */
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { switcherSize } from './switcher-size';

it.each([
  ['a phone', 390, 844, { width: 390, leafWidth: 169, perLine: 2, leafHeight: 126 }],
  ['a very narrow page', 320, 640, { width: 320, leafWidth: 206, perLine: 1, leafHeight: 126 }],
  ['a small laptop', 1280, 800, { width: 912, leafWidth: 206, perLine: 4, leafHeight: 126 }],
  ['a wide low screen', 2560, 800, { width: 912, leafWidth: 206, perLine: 4, leafHeight: 126 }],
  ['a large screen', 1920, 1080, { width: 1094, leafWidth: 247, perLine: 4, leafHeight: 143 }],
  ['a very large screen', 2560, 1440, { width: 1459, leafWidth: 330, perLine: 4, leafHeight: 177 }],
  ['one that is larger still', 5120, 2880, { width: 1459, leafWidth: 330, perLine: 4, leafHeight: 177 }],
])('on %s', (_name, width, height, size) => {
  expect(switcherSize({ width, height })).toMatchObject(size);
});

it('leaves fit their line, previews fill their leaves, and nothing shrinks as the page grows', () => {
  const length = fc.integer({ min: 240, max: 6000 });
  fc.assert(
    fc.property(length, length, length, (width, height, more) => {
      const size = switcherSize({ width, height });
      expect(size.width).toBeLessThanOrEqual(width);
      expect(size.perLine * (size.leafWidth + 12) - 12 + 40).toBeLessThanOrEqual(size.width);
      expect(size.preview.width * size.preview.scale).toBeCloseTo(size.leafWidth);
      expect(size.lineHeight).toBeGreaterThan(size.leafHeight);
      const larger = switcherSize({ width: width + more, height: height + more });
      expect(larger.width).toBeGreaterThanOrEqual(size.width);
      expect(larger.leafHeight).toBeGreaterThanOrEqual(size.leafHeight);
    }),
  );
});
