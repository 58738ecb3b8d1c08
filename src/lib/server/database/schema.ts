import type { ColumnType, Generated } from 'kysely';
import type { Event } from '../../core/session/events';
import type { Session } from '../../core/session/session';

/** Kept as `json`, not `jsonb`: the order of keys is part of what an export gives back. */
type Json<T> = ColumnType<T, string, string>;

interface SessionTable {
  id: string;
  created_at: Generated<Date>;
  /** The number of the session's last event; 0 before the first. */
  last_seq: Generated<number>;
  /** The session as it was after event `snapshot_seq`. */
  snapshot: Json<Session>;
  snapshot_seq: Generated<number>;
}

interface BatchTable {
  session_id: string;
  id: string;
  /** The number of the batch's first event, and how many it has (it may have none). */
  first_seq: number;
  event_count: number;
  /** A digest of its commands, so that an id used again for something else is noticed. */
  digest: string;
  received_at: Generated<Date>;
}

interface EventTable {
  session_id: string;
  seq: number;
  batch_id: string;
  body: Json<Event>;
}

export interface Schema {
  session: SessionTable;
  batch: BatchTable;
  event: EventTable;
}
