/** A table as its text has it, and what can be done to it. CSV as in RFC 4180, with a header. */
import { csvFormatRows, csvParseRows } from 'd3-dsv';

/** A head and a body; every row has as many cells as the head. */
export interface Rows {
  readonly head: readonly string[];
  readonly body: readonly (readonly string[])[];
}

/** The table in a text. Rows that are too short are filled up; what is beyond the head widens it. */
export function rowsOf(text: string): Rows {
  const [first = [''], ...rest] = csvParseRows(text);
  const width = Math.max(first.length, ...rest.map(({ length }) => length));
  const filled = (row: readonly string[]) => Array.from({ length: width }, (_, n) => row[n] ?? '');
  return { head: filled(first), body: rest.map(filled) };
}

/** The text of a table. */
export const csvOf = ({ head, body }: Rows): string =>
  csvFormatRows([[...head], ...body.map((row) => [...row])]);

/** With another text in a cell. */
export const withCell = ({ head, body }: Rows, row: number, column: number, text: string): Rows => ({
  head,
  body: body.map((cells, n) => (n === row ? cells.map((cell, c) => (c === column ? text : cell)) : cells)),
});

/** With an empty row at a place counted from 0. */
export const withRow = ({ head, body }: Rows, at: number): Rows => ({
  head,
  body: [...body.slice(0, at), head.map(() => ''), ...body.slice(at)],
});

/** Without a row. */
export const withoutRow = ({ head, body }: Rows, row: number): Rows => ({
  head,
  body: body.filter((_, n) => n !== row),
});

/** How many rows that are, in words. */
export const rowsText = (count: number): string => (count === 1 ? '1 row' : `${count} rows`);
