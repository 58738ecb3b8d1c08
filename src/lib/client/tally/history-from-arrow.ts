import { tableFromIPC, type Table } from '@uwdata/flechette';
import type { Column } from '../../core/tally/columns';
import { EMPTY_HISTORY, NONE, wayIndex, type History } from '../../core/tally/history';
import type { End } from '../../core/tally/recording';
import type { Way } from '../../core/tally/way';

/** Words of a column: each once, and which of them each row has. */
interface Words {
  readonly words: readonly string[];
  readonly indices: Int32Array;
}

/**
 * The history in an Arrow stream, as the server sends it (`server/tally/arrow`).
 * @throws Error if a column is missing.
 */
export function historyFromArrow(bytes: Uint8Array): History {
  const table = tableFromIPC(bytes);
  if (table.numRows === 0) return EMPTY_HISTORY;
  const ways = wordsOf(table, 'way');
  const wayIndices = ways.words.map((way) => wayIndex(way as Way));
  const { ends, indexOf } = endsIn(table);
  return {
    length: table.numRows,
    at: columnOf(table, 'at').toArray() as Float64Array,
    way: Uint8Array.from(ways.indices, (index) => wayIndices[index] ?? 0),
    took: numbersOf(table, 'took_ms'),
    presses: numbersOf(table, 'presses'),
    from: indexOf('from'),
    to: indexOf('to'),
    row: numbersOf(table, 'row'),
    rows: numbersOf(table, 'rows'),
    leaf: numbersOf(table, 'leaf'),
    leaves: numbersOf(table, 'leaves'),
    goesOn: Uint8Array.from(columnOf(table, 'goes_on').toArray() as boolean[], Number),
    ends,
  };
}

function columnOf(table: Table, name: Column) {
  const column = table.getChild(name) as ReturnType<Table['getChild']> | undefined;
  if (!column) throw new Error(`The history has no column '${name}'.`);
  return column;
}

const numbersOf = (table: Table, name: Column): Int32Array => columnOf(table, name).toArray() as Int32Array;

/** The server sends one batch of rows, so one dictionary stands for all of them. Buffers are padded: only rows count. */
function wordsOf(table: Table, name: Column): Words {
  const [batch] = columnOf(table, name).data as unknown as readonly [
    { readonly values: Int32Array; readonly dictionary: { toArray(): ArrayLike<string> } }?,
  ];
  return batch
    ? { words: Array.from(batch.dictionary.toArray()), indices: batch.values.subarray(0, table.numRows) }
    : { words: [], indices: new Int32Array() };
}

/** Windows with their applications, each once, and which of them each row goes from and to. */
function endsIn(table: Table) {
  const ends: End[] = [];
  const known = new Map<string, number>();
  const indexOf = (side: 'from' | 'to'): Int32Array => {
    const windows = wordsOf(table, `${side}_window`);
    const applications = wordsOf(table, `${side}_application`);
    // A window has one application nearly always: what was found last for it is tried first.
    const last = windows.words.map(() => ({ application: NONE, index: NONE }));
    return windows.indices.map((window, row) => {
      const application = applications.indices[row] ?? NONE;
      const before = last[window];
      if (before?.application === application) return before.index;
      const index = endIndex(windows.words[window] ?? '', applications.words[application] ?? '');
      last[window] = { application, index };
      return index;
    });
  };
  const endIndex = (window: string, application: string): number => {
    if (window === '') return NONE;
    const name = JSON.stringify([window, application]);
    const index = known.get(name) ?? ends.push({ window, application }) - 1;
    known.set(name, index);
    return index;
  };
  return { ends, indexOf };
}
