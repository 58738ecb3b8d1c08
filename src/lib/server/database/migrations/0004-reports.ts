import { sql, type Kysely, type Migration } from 'kysely';

/** Not every row of the log takes a batch: a host tells what comes of one piece by piece, and what happens by itself. */
export const reports: Migration = {
  async up(db: Kysely<unknown>) {
    await sql`alter table log alter column id drop not null`.execute(db);
    await sql`alter table log add column cause uuid, add column origin text`.execute(db);
  },
};
