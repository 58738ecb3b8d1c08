import fc from 'fast-check';
import { csvParseRows } from 'd3-dsv';
import { describe, expect, it } from 'vitest';
import { arranged, sortedBy } from './arranged';
import { isMissing } from './figure';
import { csvOf, rowsOf, withCell, withoutRow, withRow, type Rows } from './rows';

const cell = fc.string({ unit: fc.constantFrom('a', 'B', '1', '10', ',', '"', '\n', 'é'), maxLength: 4 });
const table = fc
  .integer({ min: 1, max: 4 })
  .chain((width) =>
    fc.record({
      head: fc.array(cell, { minLength: width, maxLength: width }),
      body: fc.array(fc.array(cell, { minLength: width, maxLength: width }), { maxLength: 6 }),
    }),
  )
  // A row of one empty cell cannot be told from no row at all (RFC 4180 has no word on it).
  .filter(({ head, body }) => [head, ...body].every((row) => row.join('') !== ''));

describe('a table', () => {
  it('comes out of its text as it went in, commas, quotes and breaks too', () => {
    fc.assert(
      fc.property(table, (rows) => {
        expect(rowsOf(csvOf(rows))).toEqual(rows);
      }),
    );
  });

  it('reads and writes the examples of RFC 4180, section 2', () => {
    expect(rowsOf('field_name,field_name2\r\naaa,bbb\r\nzzz,yyy\r\n').body).toEqual([
      ['aaa', 'bbb'],
      ['zzz', 'yyy'],
    ]);
    expect(rowsOf('h1,h2,h3\r\n"aaa","b\r\nbb","ccc"').body).toEqual([['aaa', 'b\r\nbb', 'ccc']]);
    expect(csvOf({ head: ['a'], body: [['b"bb']] })).toBe('a\n"b""bb"');
  });

  it('fills up what is short, and loses nothing that is long', () => {
    expect(rowsOf('a,b\n1\n1,2,3')).toEqual({
      head: ['a', 'b', ''],
      body: [
        ['1', '', ''],
        ['1', '2', '3'],
      ],
    });
    expect(rowsOf('')).toEqual({ head: [''], body: [] });
  });

  it('changes a cell, takes in a row and gives it back, and nothing else', () => {
    const rows = rowsOf('a,b\n1,2\n3,4');
    expect(csvOf(withCell(rows, 1, 0, 'x'))).toBe('a,b\n1,2\nx,4');
    expect(csvOf(withRow(rows, 1))).toBe('a,b\n1,2\n,\n3,4');
    expect(withoutRow(withRow(rows, 1), 1)).toEqual(rows);
    expect(csvParseRows(csvOf(rows))).toHaveLength(3);
  });
});

describe('the rows that are shown', () => {
  const rows = rowsOf(
    'Berth,Ship,Length\nT10,Sable Wren,88 m\nT2,Étoile,104 m\nT1,Lanternfish,61 m\nT3,free,—',
  );

  it('are sorted as people read figures, both ways, and back to how they were written', () => {
    expect(arranged(rows, null, '')).toEqual([0, 1, 2, 3]);
    expect(arranged(rows, { column: 0, down: false }, '')).toEqual([2, 1, 3, 0]);
    expect(arranged(rows, { column: 2, down: true }, '')).toEqual([1, 0, 2, 3]);
    expect(arranged(rows, { column: 2, down: false }, '')).toEqual([2, 0, 1, 3]);
    expect(sortedBy(null, 1)).toEqual({ column: 1, down: false });
    expect(sortedBy({ column: 1, down: false }, 1)).toEqual({ column: 1, down: true });
    expect(sortedBy({ column: 1, down: true }, 1)).toBeNull();
    expect(sortedBy({ column: 1, down: true }, 2)).toEqual({ column: 2, down: false });
  });

  it('have every word of the filter, wherever in the row, without regard to case and accents', () => {
    expect(arranged(rows, null, 'etoile')).toEqual([1]);
    expect(arranged(rows, null, 'm 88 SABLE')).toEqual([0]);
    expect(arranged(rows, null, 'wren 61')).toEqual([]);
    expect(arranged(rows, { column: 1, down: false }, 't1')).toEqual([2, 0]);
  });

  it('are all there once, sorted by whatever column: equal ones as they were written', () => {
    fc.assert(
      fc.property(table, fc.nat(3), fc.boolean(), (any: Rows, column, down) => {
        const order = arranged(any, column < any.head.length ? { column, down } : null, '');
        expect([...order].sort((a, b) => a - b)).toEqual(any.body.map((_, n) => n));
        if (column >= any.head.length || down) return;
        const collator = new Intl.Collator('en', { numeric: true, sensitivity: 'base' });
        for (let n = 1; n < order.length; n += 1) {
          const [a = 0, b = 0] = [order[n - 1], order[n]];
          if (isMissing(any.body[b]?.[column] ?? '')) continue;
          const compared = collator.compare(any.body[a]?.[column] ?? '', any.body[b]?.[column] ?? '');
          expect(compared < 0 || (compared === 0 && a < b)).toBe(true);
        }
      }),
    );
  });
});
