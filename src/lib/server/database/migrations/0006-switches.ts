import { sql, type Kysely, type Migration } from 'kysely';

/**
 * What is recorded of each switch. It is no part of the log, which nobody can change: what someone wants forgotten is
 * deleted here.
 */
export const switches: Migration = {
  async up(db: Kysely<unknown>) {
    await sql`create table switch (
      session_id text not null,
      seq integer not null,
      at timestamptz not null,
      way text not null,
      took integer,
      presses integer,
      from_window text,
      from_application text,
      to_window text,
      to_application text,
      place integer,
      places integer not null,
      leaf integer,
      leaves integer not null,
      goes_on boolean not null,
      primary key (session_id, seq)
    )`.execute(db);
    await sql`create index switch_by_time on switch (session_id, at)`.execute(db);
  },
};
