import { randomUUID } from 'node:crypto';
import { expect, it } from 'vitest';
import { sessionOf } from '../../../../testing/sessions';
import { useDatabase } from '../../../../tests/use-database';
import { EventStore } from './event-store';
import { GroupWriter } from './group-writer';

const database = useDatabase();

it('what cannot be stored fails alone, though it went into one statement with the rest; a gone session is told', async () => {
  const store = new EventStore(database.db);
  const sessions = Array.from({ length: 5 }, () => `s-${randomUUID()}`);
  for (const id of sessions.slice(1)) await store.create(id, sessionOf('a: a1'));
  const writer = new GroupWriter(database.db.write);
  const outcomes = await Promise.allSettled(
    sessions.map((session, n) =>
      writer.write([
        {
          session,
          first: 1,
          count: 1,
          batch: n === 3 ? 'no uuid' : randomUUID(),
          cause: null,
          origin: null,
          digest: 'd',
          events: '[{}]',
        },
      ]),
    ),
  );
  expect(outcomes.map((outcome) => (outcome.status === 'fulfilled' ? outcome.value : 'failed'))).toEqual([
    false,
    true,
    true,
    'failed',
    true,
  ]);
  const rows = await database.db.read.selectFrom('log').select('session_id').execute();
  expect(rows.map((row) => row.session_id).sort()).toEqual([1, 2, 4].map((n) => sessions[n]).sort());
});
