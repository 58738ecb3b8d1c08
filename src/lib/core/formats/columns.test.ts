import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { busySession } from '../../../../testing/wishes';
import { runs } from '../../../../testing/runs';
import { byColumns, fromColumns, type Json } from './columns';

/** Values in which lists of records are common, some of them with the field names that mean something here. */
const json = fc.letrec<{ value: Json; record: Json }>((tie) => ({
  record: fc.dictionary(
    fc.constantFrom('id', 'columns', 'fields', 'lengths', 'shapes', 'groups', 'plain', 'items', 'x'),
    tie('value'),
    {
      maxKeys: 3,
    },
  ),
  value: fc.oneof(
    { depthSize: 'small' },
    fc.constantFrom<Json>(null, 0, -0.5, '', 'a', true),
    fc.array(tie('value'), { maxLength: 4 }),
    fc.array(fc.record({ id: tie('value'), at: fc.nat(9) }), { maxLength: 4 }) as fc.Arbitrary<Json>,
    tie('record'),
  ),
})).value;

const trip = (value: Json): Json => JSON.parse(JSON.stringify(value)) as Json;

describe('records by columns', () => {
  it('come back as they were, whatever they are', () => {
    fc.assert(
      fc.property(json, (value) => {
        expect(fromColumns(trip(byColumns(value)))).toEqual(value);
      }),
      {
        numRuns: runs(2_000),
      },
    );
  });

  it('come back in the order of their fields', () => {
    const session = trip(busySession() as unknown as Json);
    expect(JSON.stringify(fromColumns(trip(byColumns(session))))).toBe(JSON.stringify(session));
  });

  it('of a few kinds come back in their order, each kind by columns', () => {
    const list: Json[] = [{ x: 1 }, { x: 2, on: 3 }, { x: 4 }, { x: 5, on: 6 }];
    expect(byColumns(list)).toEqual({
      shapes: [0, 1, 0, 1],
      groups: [
        { fields: ['x'], columns: [[1, 4]] },
        {
          fields: ['x', 'on'],
          columns: [
            [2, 5],
            [3, 6],
          ],
        },
      ],
    });
    expect(fromColumns(trip(byColumns(list)))).toEqual(list);
  });

  it('name their fields once', () => {
    expect(
      byColumns([
        { x: 1, tabs: [{ id: 'a' }] },
        { x: 2, tabs: [{ id: 'b' }, { id: 'c' }] },
      ]),
    ).toEqual({
      fields: ['x', 'tabs'],
      columns: [[1, 2], { lengths: [1, 2], items: { fields: ['id'], columns: [['a', 'b', 'c']] } }],
    });
  });
});
