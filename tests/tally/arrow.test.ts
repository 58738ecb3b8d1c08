/** The history as it goes from the server to a page, read by the Apache Arrow project's own package as well. */
import { tableFromIPC } from 'apache-arrow';
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { historyFromArrow } from '../../src/lib/client/tally/history-from-arrow';
import { COLUMNS, valuesOf } from '../../src/lib/core/tally/columns';
import { historyOf, type History } from '../../src/lib/core/tally/history';
import type { Switch } from '../../src/lib/core/tally/recording';
import { WAYS } from '../../src/lib/core/tally/way';
import { asArrow } from '../../src/lib/server/tally/arrow';
import { later } from '../../testing/sessions';
import { end, switchTo } from '../../testing/switches';
import { runs } from '../../testing/runs';

async function* pagesOf(switches: readonly Switch[], size: number) {
  for (let n = 0; n < switches.length; n += size) yield await Promise.resolve(switches.slice(n, n + size));
}

const orNull = <T>(arbitrary: fc.Arbitrary<T>) => fc.option(arbitrary, { nil: null });
const window = orNull(fc.constantFrom('a1', 'a2', 'b1', 'c1'));
const anySwitch = fc
  .record({
    way: fc.constantFrom(...WAYS),
    took: orNull(fc.nat(100_000)),
    presses: orNull(fc.nat(20)),
    from: window,
    to: window,
    row: orNull(fc.nat(9)),
    leaf: orNull(fc.nat(9)),
    goesOn: fc.boolean(),
  })
  .map(({ from, to, ...more }) => ({ ...more, from: end(from), to }));
const anyHistory = fc
  .array(anySwitch, { maxLength: 40 })
  .map((some) => some.map(({ to, ...more }, n) => switchTo(to, n, more)));

/** Whichever number each window has. */
const withEnds = ({ ends, from, to, ...history }: History) => ({
  ...history,
  from: Array.from(from, (index) => ends[index]),
  to: Array.from(to, (index) => ends[index]),
});

it('arrives as it was sent', async () => {
  await fc.assert(
    fc.asyncProperty(anyHistory, async (switches) => {
      const arrived = historyFromArrow(await asArrow(pagesOf(switches, 7)));
      expect(withEnds(arrived)).toEqual(withEnds(historyOf(switches)));
    }),
    { numRuns: runs(60) },
  );
});

it('says to another reader of the format what the other formats say', async () => {
  const switches = [
    switchTo('b1', 1, { from: end('a1'), way: 'search', took: null, goesOn: true }),
    switchTo('ä', 2, { row: null }),
  ];
  const table = tableFromIPC(await asArrow(pagesOf(switches, 1)));
  const columns = COLUMNS.filter((name) => name !== 'seq');
  expect(table.schema.fields.map(({ name }) => name)).toEqual(columns);
  const told = table.toArray().map((row: { toJSON(): Record<string, unknown> }) => row.toJSON());
  expect(told).toEqual(
    switches.map((it) => {
      const { seq: _seq, ...values } = valuesOf(it);
      const absent = Object.entries(values).map(([name, value]) => [
        name,
        value ?? (name.endsWith('window') || name.endsWith('application') ? '' : -1),
      ]);
      return { ...(Object.fromEntries(absent) as object), at: Date.parse(it.at) };
    }),
  );
  expect(Date.parse(later(1))).toBe(told[0]?.at);
});

it('of nothing is a table without rows', async () => {
  expect(historyFromArrow(await asArrow(pagesOf([], 1))).length).toBe(0);
});
