/**
 * Records of one shape by columns, so that a large session is small on its way to a page: the names of the fields stand
 * there once, and what is alike stands side by side, where compression finds it. Nothing is lost.
 *
 * A list of at least two records with the same fields becomes `{ "fields": …, "columns": … }`, one with a few kinds of records
 * `{ "shapes": …, "groups": … }`, a list of lists `{ "lengths": …, "items": … }`; a record with such a field name itself goes into
 * `{ "plain": … }`.
 */
export type Json = string | number | boolean | null | readonly Json[] | { readonly [field: string]: Json };
type JsonRecord = Readonly<Record<string, Json>>;

const MARKS = ['columns', 'lengths', 'shapes', 'plain'] as const;

/** More kinds of records than these in one list are not told apart. */
const MOST_SHAPES = 8;

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
  if (!list.every(isRecord)) return list.map(byColumns);
  const shapes = [...new Set(list.map(shapeOf))];
  if (shapes.length > MOST_SHAPES || shapes.includes('[]')) return list.map(byColumns);
  if (shapes.length > 1) return byShapes(list, shapes);
  const fields = Object.keys(first);
  return { fields, columns: fields.map((field) => byColumns(list.map((record) => record[field] as Json))) };
}

/** What has the same fields in the same order goes together; which of them comes next is said beside. */
function byShapes(list: readonly JsonRecord[], shapes: readonly string[]): Json {
  const kinds = list.map((record) => shapes.indexOf(shapeOf(record)));
  const groups = shapes.map((_, kind) => list.filter((__, at) => kinds[at] === kind));
  return { shapes: kinds, groups: groups.map(listByColumns) };
}

const shapeOf = (record: JsonRecord): string => JSON.stringify(Object.keys(record));

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
  if ('shapes' in value) return taken(value['shapes'] as number[], value['groups'] as Json[]);
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

function taken(shapes: readonly number[], groups: readonly Json[]): Json[] {
  const queues = groups.map((group) => (fromColumns(group) as Json[]).values());
  return shapes.map((kind) => queues[kind]?.next().value as Json);
}

const isList = (value: Json): value is readonly Json[] => Array.isArray(value);
const isRecord = (value: Json): value is JsonRecord =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const mapped = (record: JsonRecord, change: (value: Json) => Json): JsonRecord =>
  Object.fromEntries(Object.entries(record).map(([field, value]) => [field, change(value)]));
