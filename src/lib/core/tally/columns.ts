/** The columns of a recorded switch, as every open format has them (docs/api.md), and the values of one in their order. */
import type { Switch } from './recording';

/** The columns, in their order. */
export const COLUMNS = [
  'seq',
  'at',
  'way',
  'took_ms',
  'presses',
  'from_window',
  'from_application',
  'to_window',
  'to_application',
  'row',
  'rows',
  'leaf',
  'leaves',
  'goes_on',
] as const;
/** The name of one. */
export type Column = (typeof COLUMNS)[number];

/** A switch by its columns; null for what is not known or not there. */
export const valuesOf = (it: Switch): Readonly<Record<Column, string | number | boolean | null>> => ({
  seq: it.seq,
  at: it.at,
  way: it.way,
  took_ms: it.took,
  presses: it.presses,
  from_window: it.from?.window ?? null,
  from_application: it.from?.application ?? null,
  to_window: it.to?.window ?? null,
  to_application: it.to?.application ?? null,
  row: it.row,
  rows: it.rows,
  leaf: it.leaf,
  leaves: it.leaves,
  goes_on: it.goesOn,
});
