import { error } from '@sveltejs/kit';
import { Unavailable } from '../database/trouble';
import type { EventStore } from '../store/event-store';

/**
 * The session of a page; null while it is locked, which gives nothing of it away.
 * @throws HttpError 404 if there is none, 503 while the database cannot be reached
 */
export async function pageSession(store: EventStore, id: string) {
  try {
    const stored = await store.load(id);
    // Last, so that a lock counts that came while it was loaded.
    if (await store.locks.isLocked(id)) return null;
    return stored ?? error(404, `There is no session '${id}'.`);
  } catch (cause) {
    if (cause instanceof Unavailable)
      error(503, 'The database cannot be reached now. Try again in a moment.');
    throw cause;
  }
}
