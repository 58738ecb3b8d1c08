import { sql, type Kysely, type Migration } from 'kysely';

/** Pictures that documents of a session name, by the SHA-256 of their files. */
export const pictures: Migration = {
  async up(db: Kysely<unknown>) {
    await sql`create table picture (
      session_id text not null references session (id) on delete cascade,
      digest text not null,
      png bytea not null,
      made_at timestamptz not null default now(),
      primary key (session_id, digest)
    )`.execute(db);
    // It is compressed already.
    await sql`alter table picture alter column png set storage external`.execute(db);
  },
};
