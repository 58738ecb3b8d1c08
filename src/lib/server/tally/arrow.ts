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
import type { Column } from '../../core/tally/columns';
import { NONE } from '../../core/tally/history';
import type { Switch } from '../../core/tally/recording';

/** The Arrow stream of some switches. Words are dictionaries, empty where there is none; numbers are -1 then. */
export async function asArrow(pages: AsyncIterable<readonly Switch[]>): Promise<Uint8Array<ArrayBuffer>> {
  const switches: Switch[] = [];
  for await (const page of pages) switches.push(...page);
  const words = (of: (it: Switch) => string | undefined) =>
    columnFromArray(
      switches.map((it) => of(it) ?? ''),
      dictionary(utf8(), int32()),
    );
  const numbers = (of: (it: Switch) => number | null) =>
    columnFromArray(
      Int32Array.from(switches, (it) => of(it) ?? NONE),
      int32(),
    );
  const columns: Record<Exclude<Column, 'seq'>, ReturnType<typeof columnFromArray>> = {
    at: columnFromArray(
      Float64Array.from(switches, ({ at }) => Date.parse(at)),
      float64(),
    ),
    way: words(({ way }) => way),
    took_ms: numbers(({ took }) => took),
    presses: numbers(({ presses }) => presses),
    from_window: words(({ from }) => from?.window),
    from_application: words(({ from }) => from?.application),
    to_window: words(({ to }) => to?.window),
    to_application: words(({ to }) => to?.application),
    row: numbers(({ row }) => row),
    rows: numbers(({ rows }) => rows),
    leaf: numbers(({ leaf }) => leaf),
    leaves: numbers(({ leaves }) => leaves),
    goes_on: columnFromArray(
      switches.map(({ goesOn }) => goesOn),
      bool(),
    ),
  };
  const bytes = tableToIPC(tableFromColumns(columns), { format: 'stream' });
  if (bytes === null) throw new Error('Arrow gave no bytes.');
  return bytes as Uint8Array<ArrayBuffer>;
}
