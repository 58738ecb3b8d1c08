import type { ColumnType, Generated } from 'kysely';
import type { SessionEvent, Session } from '../../core/session/session';

/** Kept as `json`, not `jsonb`: the order of keys is part of what an export gives back. */
type Json<T> = ColumnType<T, string, string>;

interface SessionTable {
  id: string;
  created_at: Generated<Date>;
  /** The session as it was after event `snapshot_seq`. */
  snapshot: Json<Session>;
  snapshot_seq: Generated<number>;
}

/** One row a report. A batch from which nothing follows leaves none. */
interface LogTable {
  session_id: string;
  /** The number of its first event; the next row's is `first_seq + event_count`. */
  first_seq: number;
  event_count: number;
  /** The batch that it takes; null if it takes none. */
  id: string | null;
  /** The batch that caused it, where that was taken before. */
  cause: string | null;
  /** What made someone wish it, or `host`; null from older versions. */
  origin: string | null;
  /** A digest of the batch's commands, so that an id used again for something else is noticed. */
  digest: string;
  received_at: Generated<Date>;
  events: Json<SessionEvent[]>;
}

/** Keys that let people in when the server listens beyond loopback. */
interface AccessKeyTable {
  /** SHA-256 of the key, in hexadecimal digits. */
  hash: string;
  made_at: Generated<Date>;
}

/** Sessions whose windows a display has. The session itself is made when its agent first connects. */
interface DisplayTable {
  session_id: string;
  /** SHA-256 of its agent's token, in hexadecimal digits. */
  token_hash: string;
  made_at: Generated<Date>;
}

/** One row a switch (`core/tally/recording` says what its columns are). */
export interface SwitchTable {
  session_id: string;
  seq: number;
  at: ColumnType<Date, Date | string, never>;
  way: string;
  took: number | null;
  presses: number | null;
  from_window: string | null;
  from_application: string | null;
  to_window: string | null;
  to_application: string | null;
  place: number | null;
  places: number;
  leaf: number | null;
  leaves: number;
  goes_on: boolean;
}

/** Sessions that have a passphrase. */
interface LockTable {
  session_id: string;
  /** Argon2id, with its cost and salt (the PHC string format). */
  passphrase: string;
  locked: boolean;
  /** Attempts since the last right one. */
  failures: Generated<number>;
  /** No attempt before this. */
  not_before: Generated<Date>;
}

/** Pictures that documents of a session name. */
interface PictureTable {
  session_id: string;
  /** SHA-256 of the file, in hexadecimal digits. */
  digest: string;
  /** A PNG (ISO/IEC 15948). */
  png: Buffer;
  made_at: Generated<Date>;
}

/** The tables, as the newest migration leaves them. */
export interface Schema {
  session: SessionTable;
  log: LogTable;
  access_key: AccessKeyTable;
  display: DisplayTable;
  switch: SwitchTable;
  lock: LockTable;
  picture: PictureTable;
}
