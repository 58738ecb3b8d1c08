import { find, idsIn } from '../../core/model/table';
import { sql, type Kysely } from 'kysely';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { testDatabase, type TestDatabase } from '../../../../tests/database';
import { asStoredThen, LOG_THEN, storeThen, type EventThen } from '../../../../testing/first-version';
import { sessionOf, START } from '../../../../testing/sessions';
import first from '../../../../testing/fixtures/first-version.json';
import { fromDocument, toDocument, type SessionDocument } from '../../core/formats/session-document';
import { batchFrom } from '../../core/protocol/upcast';
import { planOf } from '../../core/host/plan';
import { problemsOf, type Session } from '../../core/session/session';
import { ellavane } from '../../demo/ellavane';
import { DEMO_ID } from '../../demo/demo-id';
import { EventStore } from '../store/event-store';
import { connect, connectPatiently } from './connect';
import { migrate } from './migrate';
import type { Schema } from './schema';

let database: TestDatabase;
let old: Kysely<Schema>;

beforeEach(async () => {
  database = await testDatabase();
  await migrate(database.url, '0001-event-log');
  old = connectPatiently(database.url);
});

afterEach(async () => {
  await old.destroy();
  await database.drop();
});

async function loaded(id: string): Promise<{ session: Session; seq: number; log: unknown[] }> {
  await migrate(database.url);
  const db = connect(database.url);
  try {
    const events = new EventStore(db);
    const stored = await events.load(id);
    if (!stored) throw new Error('It is not there.');
    return { ...stored, log: (await events.after(id, 0, 1_000)).flatMap((batch) => batch.events) };
  } finally {
    await db.end();
  }
}

describe('what the first version left behind', () => {
  it('its log, its snapshot and its outbox lead to what it would have shown itself', async () => {
    const batches = first.log.map(({ events }) => events as EventThen[]);
    await storeThen(old, 's', first.snapshot, 0, batches);
    const { session, log } = await loaded('s');
    expect(log).toHaveLength(batches.flat().length);
    expect(problemsOf(session)).toEqual([]);
    expect(toDocument(session)).toEqual(first.document);
    expect([session.putAways.length, session.ended.length]).toEqual([first.putAways, first.ended]);
    const sent = first.outbox.map(batchFrom).reduce((now, batch) => {
      const decision = planOf(now, batch);
      return decision.ok ? decision.session : now;
    }, session);
    expect(inOrderOfIds(toDocument(sent))).toEqual(inOrderOfIds(first.afterOutbox as SessionDocument));
  });
});

/** The order of windows in a document means nothing. */
const inOrderOfIds = (document: SessionDocument) => ({
  ...document,
  windows: document.windows.toSorted((a, b) => (a.id < b.id ? -1 : 1)),
});

describe('from one row an event to one row a batch', () => {
  it('keeps every event under its number, in the form of today', async () => {
    await storeThen(old, 's', asStoredThen(sessionOf('a: a1 a2 | b: b1')), 0, LOG_THEN);
    const { session, seq, log } = await loaded('s');
    expect(seq).toBe(9);
    expect(log).toHaveLength(9);
    expect(log[0]).toEqual({ type: 'windows-minimised', windows: ['a1'] });
    expect(find(session.windows, 'a1')?.minimised).toBe(false);
    expect(find(session.windows, 'b1')).toBeUndefined();
    expect(find(session.documents, 'd-b1')?.text).toBe('typed');
    expect(problemsOf(session)).toEqual([]);
  });

  it('derives a spoiled snapshot anew from the log where its beginning is known', async () => {
    const demo = fromDocument(ellavane(new Date(START)));
    const fronted = (window: string) => ({ type: 'window-fronted', window, at: START });
    const batches = [[fronted('w-timber-quay')], [fronted('w-lock-sill')], [fronted('w-timber-quay')]];
    const spoiled = { ...demo, stacking: [...demo.stacking, 'w-timber-quay'], learned: [] };
    await storeThen(old, DEMO_ID, asStoredThen(spoiled), 2, batches);
    const { session, seq } = await loaded(DEMO_ID);
    expect(seq).toBe(3);
    expect(session.front).toBe('w-timber-quay');
    expect(problemsOf(session)).toEqual([]);
    expect(new Set(session.stacking).size).toBe(session.stacking.length);
  });

  it('puts the lists of any other spoiled snapshot in order, and loses no window', async () => {
    const desk = sessionOf('a: a1 a2 | b: b1');
    const spoiled: Session = {
      ...desk,
      stacking: ['b1', 'b1', 'a2', 'gone', 'a1'],
      recent: { ...desk.recent, windows: [...desk.recent.windows, { id: 'a2', at: null }].slice(1) },
    };
    await storeThen(old, 's', asStoredThen(spoiled), 1, [[{ type: 'window-minimised', window: 'b1' }]]);
    const { session } = await loaded('s');
    expect(problemsOf(session)).toEqual([]);
    expect(idsIn(session.windows)).toEqual(['a1', 'a2', 'b1']);
    expect(session.stacking).toEqual(['b1', 'a2', 'a1']);
  });
});

it('may run twice, and refuses a database that a newer version made', async () => {
  await migrate(database.url);
  await migrate(database.url);
  const newer = sql`insert into kysely_migration (name, timestamp) values ('9999-from-the-future', '2030')`;
  await newer.execute(old);
  await expect(migrate(database.url)).rejects.toThrow(
    'The database is of a newer version of Key Fold (it has 9999-from-the-future). ' +
      'Update Key Fold, or give it another database with DATABASE_URL. Nothing was changed.',
  );
});
