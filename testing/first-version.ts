/** Sessions as the first version stored them: one row an event, tables as records, an event a window. */
import { sql, type Kysely } from 'kysely';
import type { Session } from '../src/lib/core/session/session';
import type { Schema } from '../src/lib/server/database/schema';
import { START } from './sessions';

/** An event in its shape of then. */
export type EventThen = Record<string, unknown>;

/** A session as the first version stored it: its snapshot after event `seq`, and its log. */
export async function storeThen(
  old: Kysely<Schema>,
  id: string,
  snapshot: object,
  seq: number,
  batches: EventThen[][],
): Promise<void> {
  const count = batches.flat().length;
  await sql`insert into session (id, created_at, last_seq, snapshot, snapshot_seq)
    values (${id}, ${START}, ${count}, ${JSON.stringify(snapshot)}, ${seq})`.execute(old);
  let first = 1;
  for (const events of batches) {
    const batch = crypto.randomUUID();
    await sql`insert into batch (session_id, id, first_seq, event_count, digest)
      values (${id}, ${batch}, ${first}, ${events.length}, 'd')`.execute(old);
    for (const event of events) {
      await sql`insert into event (session_id, seq, batch_id, body)
        values (${id}, ${first}, ${batch}, ${JSON.stringify(event)})`.execute(old);
      first += 1;
    }
  }
}

/** Tables were records then. */
export function asStoredThen({ applications, windows, documents, drafts, ...session }: Session): object {
  const byId = (table: readonly { readonly id: string }[]) =>
    Object.fromEntries(table.map((one) => [one.id, one]));
  return {
    ...session,
    applications: byId(applications),
    windows: byId(windows),
    documents: byId(documents),
    drafts: byId(drafts),
  };
}

/** What the first version wrote for windows and applications, one event each. */
export const LOG_THEN: EventThen[][] = [
  [
    { type: 'window-minimised', window: 'a1' },
    { type: 'window-fronted', window: 'b1', at: START },
  ],
  [],
  [{ type: 'application-hidden', application: 'b' }],
  [
    { type: 'application-shown', application: 'b' },
    { type: 'window-restored', window: 'a1' },
  ],
  [{ type: 'draft-kept', document: 'd-b1', text: 'typed', at: START }],
  [{ type: 'closing-asked', window: 'b1', goal: 'close' }],
  [
    { type: 'draft-saved', document: 'd-b1' },
    { type: 'window-closed', window: 'b1' },
  ],
];
