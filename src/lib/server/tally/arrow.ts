/** A history of switches as an Apache Arrow stream (the columnar format's IPC): what the tally is computed from. */
import {
  bool,
  columnFromArray,
  dictionary,
  float64,
  int32,
  tableFromColumns,
  tableToIPC,
  utf8,
} from '@uwdata/flechette';
import { valuesOf, type Column } from '../../core/tally/columns';
import { NONE } from '../../core/tally/history';
import type { Switch } from '../../core/tally/recording';

/** Columns that hold words: a dictionary of them, empty where there is none. */
type Words = 'way' | 'from_window' | 'from_application' | 'to_window' | 'to_application';
/** Columns that hold whole numbers, -1 where there is none. */
type Numbers = 'took_ms' | 'presses' | 'row' | 'rows' | 'leaf' | 'leaves';

/** The Arrow stream of some switches. They are taken apart page by page, so that a long history is never there as objects. */
export async function asArrow(pages: AsyncIterable<readonly Switch[]>): Promise<Uint8Array<ArrayBuffer>> {
  const at: number[] = [];
  const goesOn: boolean[] = [];
  const words: Record<Words, string[]> = {
    way: [],
    from_window: [],
    from_application: [],
    to_window: [],
    to_application: [],
  };
  const numbers: Record<Numbers, number[]> = {
    took_ms: [],
    presses: [],
    row: [],
    rows: [],
    leaf: [],
    leaves: [],
  };
  // Each word is kept once, however often it comes.
  const known = new Map<string, string>();
  const once = (word: string): string => {
    const kept = known.get(word);
    if (kept === undefined) known.set(word, word);
    return kept ?? word;
  };
  for await (const page of pages)
    for (const it of page) {
      const values = valuesOf(it);
      at.push(Date.parse(it.at));
      goesOn.push(it.goesOn);
      for (const name of Object.keys(words) as Words[]) words[name].push(once(String(values[name] ?? '')));
      for (const name of Object.keys(numbers) as Numbers[]) numbers[name].push(Number(values[name] ?? NONE));
    }
  const word = (name: Words) => columnFromArray(words[name], dictionary(utf8(), int32()));
  const number = (name: Numbers) => columnFromArray(Int32Array.from(numbers[name]), int32());
  const columns: Record<Exclude<Column, 'seq'>, ReturnType<typeof columnFromArray>> = {
    at: columnFromArray(Float64Array.from(at), float64()),
    way: word('way'),
    took_ms: number('took_ms'),
    presses: number('presses'),
    from_window: word('from_window'),
    from_application: word('from_application'),
    to_window: word('to_window'),
    to_application: word('to_application'),
    row: number('row'),
    rows: number('rows'),
    leaf: number('leaf'),
    leaves: number('leaves'),
    goes_on: columnFromArray(goesOn, bool()),
  };
  const bytes = tableToIPC(tableFromColumns(columns), { format: 'stream' });
  if (bytes === null) throw new Error('Arrow gave no bytes.');
  return bytes as Uint8Array<ArrayBuffer>;
}
