import { sql, type Kysely, type Migration } from 'kysely';

/** Access keys by their hashes. */
export const accessKey: Migration = {
  async up(db: Kysely<unknown>) {
    await db.schema
      .createTable('access_key')
      .addColumn('hash', 'text', (column) => column.primaryKey())
      .addColumn('made_at', 'timestamptz', (column) => column.notNull().defaultTo(sql`now()`))
      .execute();
  },
};
