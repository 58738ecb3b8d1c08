/**
 * Records of one shape by columns, so that a large session is small on its way to a page: the names of the fields stand
 * there once, and what is alike stands side by side, where compression finds it. Nothing is lost.
 *
 * A list of at least two records with the same fields becomes `{ "fields": …, "columns": … }`, a list of lists
 * `{ "lengths": …, "items": … }`; a record with such a field name itself goes into a list of its own, `{ "plain": … }`.
 */
export type Json = string | number | boolean | null | readonly Json[] | { readonly [field: string]: Json };
type JsonRecord = Readonly<Record<string, Json>>;

const MARKS = ['columns', 'lengths', 'plain'] as const;

/** @example byColumns([{ x: 1, y: 2 }, { x: 3, y: 4 }]) // { fields: ['x', 'y'], columns: [[1, 3], [2, 4]] } */
export function byColumns(value: Json): Json {
  if (isList(value)) return listByColumns(value);
  if (!isRecord(value)) return value;
  const record = mapped(value, byColumns);
  return MARKS.some((mark) => mark in value) ? { plain: record } : record;
}

function listByColumns(list: readonly Json[]): Json {
  const [first] = list;
  if (first === undefined || list.length === 1) return list.map(byColumns);
  if (list.every(isList)) return { lengths: list.map(({ length }) => length), items: byColumns(list.flat()) };
  if (!isRecord(first)) return list.map(byColumns);
  const fields = Object.keys(first);
  const alike = (one: Json): one is JsonRecord => isRecord(one) && sameList(Object.keys(one), fields);
  if (fields.length === 0 || !list.every(alike)) return list.map(byColumns);
  return { fields, columns: fields.map((field) => byColumns(list.map((record) => record[field] as Json))) };
}

/**
 * What {@link byColumns} was given.
 * @example fromColumns({ fields: ['x', 'y'], columns: [[1, 3], [2, 4]] }) // [{ x: 1, y: 2 }, { x: 3, y: 4 }]
 */
export function fromColumns(value: Json): Json {
  if (isList(value)) return value.map(fromColumns);
  if (!isRecord(value)) return value;
  if ('plain' in value) return mapped(value['plain'] as JsonRecord, fromColumns);
  if ('lengths' in value)
    return regrouped(value['lengths'] as number[], fromColumns(value['items'] as Json) as Json[]);
  if (!('columns' in value)) return mapped(value, fromColumns);
  const fields = value['fields'] as string[];
  const columns = (value['columns'] as Json[]).map((column) => fromColumns(column) as Json[]);
  return (columns[0] ?? []).map((_, row) =>
    Object.fromEntries(fields.map((field, column) => [field, columns[column]?.[row] as Json])),
  );
}

function regrouped(lengths: readonly number[], items: readonly Json[]): Json[] {
  let from = 0;
  return lengths.map((length) => items.slice(from, (from += length)));
}

const isList = (value: Json): value is readonly Json[] => Array.isArray(value);
const isRecord = (value: Json): value is JsonRecord =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const sameList = (a: readonly string[], b: readonly string[]): boolean =>
  a.length === b.length && a.every((one, at) => one === b[at]);
const mapped = (record: JsonRecord, change: (value: Json) => Json): JsonRecord =>
  Object.fromEntries(Object.entries(record).map(([field, value]) => [field, change(value)]));
