import { sql, type Kysely, type Migration } from 'kysely';

/** The lock of a session: its passphrase, as an Argon2id hash, and how often it was missed. */
export const locks: Migration = {
  async up(db: Kysely<unknown>) {
    await sql`create table lock (
      session_id text primary key references session (id) on delete cascade,
      passphrase text not null,
      locked boolean not null,
      failures integer not null default 0,
      not_before timestamptz not null default now()
    )`.execute(db);
  },
};
