/** What is recorded of a session's switches: read page by page, handed out in open formats, and forgotten. */
import { csvFormatBody, csvFormatRows } from 'd3-dsv';
import { COLUMNS, valuesOf } from '../../core/tally/columns';
import type { Switch } from '../../core/tally/recording';
import type { Database } from '../database/connect';
import { switchIn, switchRow } from './switch-row';

/** From the first instant to before the second; null where it is open. */
export interface Span {
  readonly since: string | null;
  readonly until: string | null;
}

/** Rows that are read at once. */
const PAGE = 10_000;
/** Rows that are written at once: a statement has 65,535 parameters at most. */
const PAGE_WRITTEN = 2_000;

/** Reads the switches of a span, oldest first, a page after the other, so that no history need fit into memory. */
export async function* switchPages(
  database: Database,
  session: string,
  { since, until }: Span,
): AsyncGenerator<Switch[]> {
  let after: number | null = null;
  for (;;) {
    let query = database.read.selectFrom('switch').selectAll().where('session_id', '=', session);
    if (after !== null) query = query.where('seq', '>', after);
    if (since !== null) query = query.where('at', '>=', new Date(since));
    if (until !== null) query = query.where('at', '<', new Date(until));
    const rows = await query.orderBy('seq').limit(PAGE).execute();
    if (rows.length > 0) yield rows.map(switchIn);
    if (rows.length < PAGE) return;
    after = rows.at(-1)?.seq ?? null;
  }
}

/** Forgets the switches of a span; answers how many there were. */
export async function forgetSwitches(
  { write }: Database,
  session: string,
  { since, until }: Span,
): Promise<number> {
  let query = write.deleteFrom('switch').where('session_id', '=', session);
  if (since !== null) query = query.where('at', '>=', new Date(since));
  if (until !== null) query = query.where('at', '<', new Date(until));
  return Number((await query.executeTakeFirst()).numDeletedRows);
}

/** Writes switches down that are there from the start of a session. */
export async function addSwitches(
  { write }: Database,
  session: string,
  switches: readonly Switch[],
): Promise<void> {
  const rows = switches.map((it) => switchRow(session, it));
  for (let n = 0; n < rows.length; n += PAGE_WRITTEN)
    await write
      .insertInto('switch')
      .values(rows.slice(n, n + PAGE_WRITTEN))
      .execute();
}

/** Comma-separated values (RFC 4180), with a line of names. */
export async function* asCsv(pages: AsyncIterable<readonly Switch[]>): AsyncGenerator<string> {
  yield `${csvFormatRows([[...COLUMNS]])}\r\n`;
  for await (const page of pages)
    yield `${csvFormatBody(page.map(valuesOf) as object[], [...COLUMNS] as never[]).replaceAll('\n', '\r\n')}\r\n`;
}

/** A JSON object a line (JSON Lines). */
export async function* asJsonLines(pages: AsyncIterable<readonly Switch[]>): AsyncGenerator<string> {
  for await (const page of pages) yield page.map((it) => `${JSON.stringify(valuesOf(it))}\n`).join('');
}
