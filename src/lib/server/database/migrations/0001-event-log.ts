import { sql, type Kysely, type Migration } from 'kysely';

/** Sessions with a snapshot, the batches that were accepted, and the events that followed from them. */
export const eventLog: Migration = {
  async up(db: Kysely<unknown>) {
    await db.schema
      .createTable('session')
      .addColumn('id', 'text', (column) => column.primaryKey())
      .addColumn('created_at', 'timestamptz', (column) => column.notNull().defaultTo(sql`now()`))
      .addColumn('last_seq', 'integer', (column) => column.notNull().defaultTo(0))
      .addColumn('snapshot', 'json', (column) => column.notNull())
      .addColumn('snapshot_seq', 'integer', (column) => column.notNull().defaultTo(0))
      .execute();
    await db.schema
      .createTable('batch')
      .addColumn('session_id', 'text', (column) => column.notNull().references('session.id'))
      .addColumn('id', 'uuid', (column) => column.notNull())
      .addColumn('first_seq', 'integer', (column) => column.notNull())
      .addColumn('event_count', 'integer', (column) => column.notNull())
      .addColumn('digest', 'text', (column) => column.notNull())
      .addColumn('received_at', 'timestamptz', (column) => column.notNull().defaultTo(sql`now()`))
      .addPrimaryKeyConstraint('batch_pkey', ['session_id', 'id'])
      .execute();
    await db.schema
      .createTable('event')
      .addColumn('session_id', 'text', (column) => column.notNull())
      .addColumn('seq', 'integer', (column) => column.notNull())
      .addColumn('batch_id', 'uuid', (column) => column.notNull())
      .addColumn('body', 'json', (column) => column.notNull())
      .addPrimaryKeyConstraint('event_pkey', ['session_id', 'seq'])
      .addForeignKeyConstraint('event_batch_fkey', ['session_id', 'batch_id'], 'batch', ['session_id', 'id'])
      .execute();
    // The log is append-only: not even the application's own mistakes may rewrite it.
    await sql`
      create function refuse_rewriting() returns trigger language plpgsql as $$
      begin raise exception 'the event log is append-only'; end $$`.execute(db);
    await sql`
      create trigger event_append_only before update or delete on event
      for each row execute function refuse_rewriting()`.execute(db);
  },
};
