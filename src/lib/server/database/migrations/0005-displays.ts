import { sql, type Kysely, type Migration } from 'kysely';

/** Which sessions have the windows of a display, and what their agents prove themselves with. */
export const displays: Migration = {
  async up(db: Kysely<unknown>) {
    await sql`create table display (
      session_id text primary key,
      token_hash text not null unique,
      made_at timestamptz not null default now()
    )`.execute(db);
  },
};
