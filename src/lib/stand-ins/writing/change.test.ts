import fc from 'fast-check';
import { expect, it } from 'vitest';
import { changeBetween, withPlainLineEnds } from './change';

const text = fc.array(fc.constantFrom('a', 'b', '\n'), { maxLength: 10 }).map((all) => all.join(''));

it('one change makes one text of another, and none is shorter', () => {
  fc.assert(
    fc.property(text, text, (before, after) => {
      const change = changeBetween(before, after);
      expect(change === null).toBe(before === after);
      const { from, to, put } = change ?? { from: 0, to: 0, put: '' };
      expect(before.slice(0, from) + put + before.slice(to)).toBe(after);
      // Whatever else starts and ends alike leaves as much to be put.
      for (let start = 0; start <= before.length; start += 1)
        for (let end = start; end <= before.length; end += 1)
          if (after.startsWith(before.slice(0, start)) && after.endsWith(before.slice(end))) {
            const kept = start + before.length - end;
            if (kept <= after.length) expect(put.length).toBeLessThanOrEqual(after.length - kept);
          }
    }),
  );
});

it('takes out one of two that are alike, and puts one more', () => {
  expect(changeBetween('aa', 'a')).toEqual({ from: 1, to: 2, put: '' });
  expect(changeBetween('a', 'aa')).toEqual({ from: 1, to: 1, put: 'a' });
  expect(changeBetween('the sea', 'the wide sea')).toEqual({ from: 4, to: 4, put: 'wide ' });
});

it('lines end alike however they came', () => {
  expect(withPlainLineEnds('a\r\nb\rc\nd')).toBe('a\nb\nc\nd');
});
