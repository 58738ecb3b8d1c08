import fc from 'fast-check';
import { munkres } from 'munkres';
import { expect, it } from 'vitest';
import { runs } from '../../../../testing/runs';
import { bestAssignment } from './assignment';

const total = (worth: readonly (readonly number[])[], columns: readonly (number | null)[]): number =>
  columns.reduce<number>((sum, column, row) => sum + (column === null ? 0 : (worth[row]?.[column] ?? 0)), 0);

const table = (least: number) =>
  fc.tuple(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 1, max: 9 })).chain(([rows, columns]) =>
    fc.array(fc.array(fc.integer({ min: least, max: 30 }), { minLength: columns, maxLength: columns }), {
      minLength: rows,
      maxLength: rows,
    }),
  );

it('is worth as much as what a package for the Hungarian method finds', () => {
  fc.assert(
    fc.property(table(0), (worth) => {
      const pairs = munkres(worth.map((row) => row.map((value) => -value)));
      const theirs = pairs.reduce((sum, [row, column]) => sum + (worth[row]?.[column] ?? 0), 0);
      expect(total(worth, bestAssignment(worth))).toBe(theirs);
    }),
    { numRuns: runs(300) },
  );
});

it('gives each column to one row at most, and to nobody what is worth nothing', () => {
  fc.assert(
    fc.property(table(-10), (worth) => {
      const columns = bestAssignment(worth);
      const given = columns.filter((column) => column !== null);
      expect(new Set(given).size).toBe(given.length);
      columns.forEach((column, row) => {
        if (column !== null) expect(worth[row]?.[column]).toBeGreaterThan(0);
      });
    }),
    { numRuns: runs(100) },
  );
});

it('has nothing to give where there is nothing', () => {
  expect(bestAssignment([])).toEqual([]);
  expect(bestAssignment([[], []])).toEqual([null, null]);
});
