/**
 * Tables: plain lists of things with ids, in the order in which they came, with look-up by id. A table is JSON as it
 * stands. Changing some entries copies a list of references and shares the index of ids; adding and removing make a
 * new index at the next look-up. (A record copied by spreading costs a hundred times as much from a thousand entries
 * on: `npm run bench`.)
 */
export type Table<T extends Identified> = readonly T[];

interface Identified {
  readonly id: string;
}

/** Positions by id. */
type Index = ReadonlyMap<string, number>;

/** The index of every table that was looked into, kept as long as the table; tables with the same ids share one. */
const indexes = new WeakMap<readonly Identified[], Index>();

function indexOf(table: Table<Identified>): Index {
  let index = indexes.get(table);
  if (!index) indexes.set(table, (index = new Map(table.map(({ id }, position) => [id, position]))));
  return index;
}

/**
 * The entry with this id; undefined if there is none.
 * @example find([{ id: 'a', n: 1 }], 'a') // { id: 'a', n: 1 }
 */
export function find<T extends Identified>(table: Table<T>, id: string): T | undefined {
  const position = indexOf(table).get(id);
  return position === undefined ? undefined : table[position];
}

/** Whether there is an entry with this id. */
export const has = (table: Table<Identified>, id: string): boolean => indexOf(table).has(id);

/**
 * The entry with this id. `kind` names such an entry in the error.
 * @throws RangeError if there is none.
 */
export function get<T extends Identified>(table: Table<T>, id: string, kind: string): T {
  const found = find(table, id);
  if (found === undefined) throw new RangeError(`The session has no ${kind} '${id}'.`);
  return found;
}

/**
 * The table with some entries changed; the same table if `change` gives each of them back as it was. `kind` names such
 * an entry in the error.
 * @throws RangeError if one of the ids is not there.
 * @example patch([{ id: 'a', n: 1 }, { id: 'b', n: 2 }], ['b'], 'thing', (one) => ({ ...one, n: 3 }))
 *   // [{ id: 'a', n: 1 }, { id: 'b', n: 3 }]
 */
export function patch<T extends Identified>(
  table: Table<T>,
  ids: Iterable<string>,
  kind: string,
  change: (entry: T) => T,
): Table<T> {
  const index = indexOf(table);
  let next: T[] | null = null;
  for (const id of ids) {
    const before = get(table, id, kind);
    const after = change(before);
    if (after === before) continue;
    next ??= table.slice();
    next[index.get(id) as number] = after;
  }
  if (!next) return table;
  indexes.set(next, index);
  return next;
}

/**
 * The table with entries added at the end; the same table if there are none.
 * @throws RangeError if an id is taken.
 */
export function add<T extends Identified>(table: Table<T>, entries: readonly T[]): Table<T> {
  if (entries.length === 0) return table;
  const next = [...table, ...entries];
  if (indexOf(next).size === indexOf(table).size + entries.length) return next;
  const ids = new Set(table.map(({ id }) => id));
  const twice = entries.find(({ id }) => ids.has(id) || !ids.add(id))?.id ?? '';
  throw new RangeError(`The session has something with the id '${twice}' there already.`);
}

/**
 * The table with an entry in the place of the one that has its id, or at the end if there is none.
 * @example put([{ id: 'a', n: 1 }], { id: 'a', n: 2 }) // [{ id: 'a', n: 2 }]
 */
export const put = <T extends Identified>(table: Table<T>, entry: T): Table<T> =>
  has(table, entry.id) ? patch(table, [entry.id], 'entry', () => entry) : add(table, [entry]);

/**
 * The table with each of these entries in the place of the one that has its id, made from that, or at the end.
 * @example putAll([{ id: 'a', n: 1 }], [{ id: 'a', n: 2 }, { id: 'b', n: 3 }], (one) => one) // [{ id: 'a', n: 2 }, { id: 'b', n: 3 }]
 */
export function putAll<T extends Identified, New extends Identified>(
  table: Table<T>,
  entries: readonly New[],
  made: (entry: New, before: T | undefined) => T,
): Table<T> {
  const byId = new Map(entries.map((entry) => [entry.id, entry]));
  const there = [...byId.keys()].filter((id) => has(table, id));
  const kept = patch(table, there, 'entry', (before) => made(byId.get(before.id) as New, before));
  const fresh = [...byId.values()].filter(({ id }) => !has(table, id));
  return fresh.length === 0
    ? kept
    : add(
        kept,
        fresh.map((entry) => made(entry, undefined)),
      );
}

/**
 * The table without some ids; the same table if it has none of them.
 * @example remove([{ id: 'a' }, { id: 'b' }], ['a', 'x']) // [{ id: 'b' }]
 */
export function remove<T extends Identified>(table: Table<T>, ids: readonly string[]): Table<T> {
  const gone = new Set(ids.filter((id) => has(table, id)));
  return gone.size === 0 ? table : table.filter(({ id }) => !gone.has(id));
}

/** The ids of a table, in its order. */
export const idsIn = (table: Table<Identified>): string[] => table.map(({ id }) => id);
