import { randomUUID } from 'node:crypto';
import { expect, it, vi } from 'vitest';
import { sessionOf } from '../../../../testing/sessions';
import { useDatabase } from '../../../../tests/use-database';
import { Unavailable } from '../database/trouble';
import { EventStore } from '../store/event-store';
import { pageSession } from './page-session';

const database = useDatabase();

async function stored() {
  const store = new EventStore(database.db);
  const id = `s-${randomUUID()}`;
  await store.create(id, sessionOf('a: a1'));
  return { store, id };
}

it('gives the session, and nothing of one that is locked while it is loaded', async () => {
  const { store, id } = await stored();
  expect(await pageSession(store, id)).toEqual(await store.load(id));
  const load = store.load.bind(store);
  vi.spyOn(store, 'load').mockImplementation(async (...args) => {
    const loaded = await load(...args);
    await store.locks.lock(id, 'bell tide timber');
    return loaded;
  });
  expect(await pageSession(store, id)).toBeNull();
});

it('says that there is none, and that the database is away', async () => {
  const { store, id } = await stored();
  await expect(pageSession(store, 's-nowhere')).rejects.toMatchObject({ status: 404 });
  vi.spyOn(store, 'load').mockRejectedValue(new Unavailable('away'));
  await expect(pageSession(store, id)).rejects.toMatchObject({ status: 503 });
});
