/** What the running server is made of: its database, its store, and the demo in it. */
import { fromDocument } from '../core/formats/session-document';
import { simulatedHost } from '../core/host/simulated-host';
import { DEMO_ID, ellavane } from '../demo/ellavane';
import { connect } from './database/connect';
import { migrate } from './database/migrate';
import { EventStore } from './store/event-store';

let store: EventStore | null = null;

/** Connects, migrates, and loads the demo unless it is there already. */
export async function startRuntime(databaseUrl: string | undefined): Promise<void> {
  if (!databaseUrl) throw new Error('DATABASE_URL is not set. Start Key Fold with `npm start`.');
  const db = connect(databaseUrl);
  await migrate(db);
  store = new EventStore(db, simulatedHost);
  await store.create(DEMO_ID, fromDocument(ellavane(new Date())));
}

/** The event store of the running server. */
export function eventStore(): EventStore {
  if (!store) throw new Error('The server has not started yet.');
  return store;
}
