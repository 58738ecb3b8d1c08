import { randomUUID } from 'node:crypto';
import { csvParse } from 'd3-dsv';
import { describe, expect, it } from 'vitest';
import { batchOf, flip } from '../../../../testing/batches';
import { later, sessionOf } from '../../../../testing/sessions';
import { switchTo } from '../../../../testing/switches';
import { useDatabase } from '../../../../tests/use-database';
import type { Batch } from '../../core/commands/commands';
import { COLUMNS } from '../../core/tally/columns';
import type { Switch } from '../../core/tally/recording';
import type { SwitchFacts } from '../../core/tally/way';
import { EventStore } from '../store/event-store';
import { addSwitches, asCsv, asJsonLines, forgetSwitches, switchPages, type Span } from './switches';
import { historyResponse } from './answers';

const database = useDatabase();
const ALL: Span = { since: null, until: null };

async function newSession(line = 'a: a1 a2 | b: b1') {
  const store = new EventStore(database.db);
  const id = `s-${randomUUID()}`;
  await store.create(id, sessionOf(line));
  return { store, id };
}

async function recorded(session: string, span = ALL): Promise<Switch[]> {
  return (await collected(switchPages(database.db, session, span))).flat();
}

async function collected<T>(all: AsyncIterable<T>): Promise<T[]> {
  const list: T[] = [];
  for await (const one of all) list.push(one);
  return list;
}

const byStep: SwitchFacts = { way: 'step', took: 420, presses: 2 };
const told = (batch: Batch, facts = byStep): Batch => ({ ...batch, origin: 'key', facts });

describe('switches are stored with what was wished', () => {
  it('as the page says that they came about, in one row each', async () => {
    const { store, id } = await newSession();
    await store.append(id, told(flip('b1')));
    await store.append(id, batchOf({ type: 'minimise', window: 'a2' }));
    await store.append(id, flip('a1'));
    expect(await recorded(id)).toMatchObject([
      { seq: 1, way: 'step', took: 420, presses: 2, to: { window: 'b1', application: 'b' }, row: 1, rows: 2 },
      { seq: 4, way: 'page', took: null, from: { window: 'b1' }, to: { window: 'a1' } },
    ]);
  });

  it('once, however often a batch comes, and with what came with it the first time', async () => {
    const { store, id } = await newSession();
    const batch = flip('b1');
    await store.append(id, told(batch));
    await store.append(id, told(batch, { way: 'search' }));
    expect((await recorded(id)).map(({ way }) => way)).toEqual(['step']);
  });

  it('by two servers at once, each its own', async () => {
    const { store, id } = await newSession();
    const other = new EventStore(database.db);
    await Promise.all(
      Array.from({ length: 20 }, (_, n) =>
        (n % 2 ? store : other).append(id, told(flip(n % 2 ? 'a1' : 'b1'))),
      ),
    );
    const switches = await recorded(id);
    const ends = switches.map(({ to }) => to?.window);
    expect(switches.length).toBeGreaterThan(0);
    // What is stored is a path: each begins where the one before ended.
    expect(switches.slice(1).map(({ from }) => from?.window)).toEqual(ends.slice(0, -1));
  });

  it('of several that come together, all', async () => {
    const { store, id } = await newSession();
    await Promise.all(
      Array.from({ length: 40 }, (_, n) => store.append(id, told(flip(n % 2 ? 'a1' : 'b1')))),
    );
    expect(await recorded(id)).toHaveLength(40);
  });

  it('or not at all: what was not stored in the log is not here', async () => {
    const { store, id } = await newSession();
    await store.append(id, told(batchOf({ type: 'bring-to-front', window: 'nowhere', raiseAll: false })));
    expect(await recorded(id)).toEqual([]);
  });

  it('not where somebody turned it off', async () => {
    const { store, id } = await newSession();
    const { settings } = sessionOf('a: a1');
    await store.append(id, batchOf({ type: 'change-settings', settings: { ...settings, tally: false } }));
    await store.append(id, told(flip('b1')));
    expect(await recorded(id)).toEqual([]);
  });

  it('until the session is removed', async () => {
    const { store, id } = await newSession();
    await store.append(id, told(flip('b1')));
    await store.remove(id);
    expect(await recorded(id)).toEqual([]);
  });
});

describe('what is recorded', () => {
  const three = [1, 2, 3].map((n) => switchTo(n === 3 ? null : 'b1', 10 * n, { seq: n - 4, presses: null }));

  async function withThree(): Promise<string> {
    const { id } = await newSession();
    await addSwitches(database.db, id, three);
    return id;
  }

  it('is read as it was written, from an instant to before another', async () => {
    const id = await withThree();
    expect(await recorded(id)).toEqual(three);
    expect(await recorded(id, { since: later(20), until: later(30) })).toEqual([three[1]]);
  });

  it('is forgotten by span, or all of it, and that of others stays', async () => {
    const [id, other] = [await withThree(), await withThree()];
    expect(await forgetSwitches(database.db, id, { since: later(20), until: null })).toBe(2);
    expect(await recorded(id)).toEqual([three[0]]);
    expect(await forgetSwitches(database.db, id, ALL)).toBe(1);
    expect(await recorded(other)).toEqual(three);
  });

  it('comes in pages, in order, however much it is', async () => {
    const { id } = await newSession();
    await addSwitches(
      database.db,
      id,
      Array.from({ length: 20_500 }, (_, n) => switchTo('b1', n)),
    );
    const sizes = (await collected(switchPages(database.db, id, ALL))).map((page) => page.length);
    expect(sizes).toEqual([10_000, 10_000, 500]);
    expect((await recorded(id)).every(({ seq }, n) => seq === n)).toBe(true);
  });

  it('is told as comma-separated values that another reader reads (RFC 4180)', async () => {
    const id = await withThree();
    const text = (await collected(asCsv(switchPages(database.db, id, ALL)))).join('');
    expect(text.endsWith('\r\n')).toBe(true);
    const rows = csvParse(text);
    expect(rows.columns).toEqual([...COLUMNS]);
    expect(rows.map(({ seq, at, way, to_window }) => [seq, at, way, to_window])).toEqual([
      ['-3', later(10), 'step', 'b1'],
      ['-2', later(20), 'step', 'b1'],
      ['-1', later(30), 'step', ''],
    ]);
  });

  it('is told as a JSON object a line', async () => {
    const id = await withThree();
    const text = (await collected(asJsonLines(switchPages(database.db, id, ALL)))).join('');
    const lines = text.trimEnd().split('\n');
    expect(lines.map((line) => (JSON.parse(line) as { seq: number }).seq)).toEqual([-3, -2, -1]);
    expect(JSON.parse(lines[2] ?? '')).toMatchObject({ to_window: null, presses: null, goes_on: false });
  });

  it('is answered in the format that is asked for, and for no session that is not there', async () => {
    const { store } = await newSession();
    const id = await withThree();
    const csv = await historyResponse(store, id, { ...ALL, as: 'csv' });
    expect(csv.headers.get('content-type')).toContain('text/csv');
    expect((await csv.text()).split('\r\n')).toHaveLength(5);
    await expect(historyResponse(store, 'nowhere', { ...ALL, as: 'csv' })).rejects.toThrow('no session');
  });
});
