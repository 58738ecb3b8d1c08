import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { add, find, get, has, patch, put, remove, type Table } from './table';

interface Entry {
  readonly id: string;
  readonly n: number;
}

const step = fc.record({
  do: fc.constantFrom('add', 'patch', 'put', 'remove'),
  id: fc.nat(9).map(String),
  n: fc.nat(5),
});

describe('a table', () => {
  it('does what a Map does, in the order in which entries came', () => {
    fc.assert(
      fc.property(fc.array(step, { maxLength: 60 }), (steps) => {
        let table: Table<Entry> = [];
        const model = new Map<string, Entry>();
        for (const { do: what, id, n } of steps) {
          const entry = { id, n };
          if (what === 'add' && !model.has(id)) table = add(table, [entry]);
          else if (what === 'patch' && model.has(id)) table = patch(table, [id], 'entry', () => entry);
          else if (what === 'put') table = put(table, entry);
          else if (what === 'remove') table = remove(table, [id]);
          else continue;
          if (what === 'remove') model.delete(id);
          else model.set(id, entry);
          expect(table).toEqual([...model.values()]);
          for (let other = 0; other < 10; other += 1)
            expect(find(table, String(other))).toEqual(model.get(String(other)));
        }
      }),
    );
  });

  const table: Table<Entry> = [
    { id: 'a', n: 1 },
    { id: 'b', n: 2 },
  ];

  it('is the same one when nothing changes', () => {
    expect(patch(table, ['a', 'b'], 'entry', (entry) => entry)).toBe(table);
    expect(add(table, [])).toBe(table);
    expect(remove(table, ['c'])).toBe(table);
  });

  it('keeps the entries that did not change, and the table before', () => {
    const after = patch(table, ['b'], 'entry', (entry) => ({ ...entry, n: 3 }));
    expect(after[0]).toBe(table[0]);
    expect(get(table, 'b', 'entry').n).toBe(2);
    expect(has(after, 'c')).toBe(false);
  });

  it('says what is not there, and what is there already', () => {
    expect(() => get(table, 'c', 'window')).toThrow(new RangeError("The session has no window 'c'."));
    expect(() => patch(table, ['c'], 'window', (entry) => entry)).toThrow(/no window 'c'/);
    expect(() => add(table, [{ id: 'b', n: 0 }])).toThrow(/'b' there already/);
    const twice = { id: 'c', n: 0 };
    expect(() => add(table, [twice, twice])).toThrow(/'c' there already/);
  });
});
