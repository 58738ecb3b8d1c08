/** What the server does with sessions; the routes only translate between this and HTTP. */
import { toDocument, type SessionDocument } from '../core/formats/session-document';
import type { Confirmation } from '../core/replica/replica';
import { pointerTo, Problem } from './http/problem';
import { batchFrom } from './input/batch-input';
import { sessionFrom } from './input/session-input';
import type { EventStore, StoredSession } from './store/event-store';

const noSession = (id: string) => new Problem(404, 'No such session', `There is no session '${id}'.`);

/**
 * Stores the session that a document describes under a new id.
 * @throws Problem 422 if the document is wrong.
 */
export async function createSession(store: EventStore, document: unknown): Promise<string> {
  const session = sessionFrom(document);
  const id = `s-${crypto.randomUUID()}`;
  await store.create(id, session);
  return id;
}

/** @throws Problem 404 */
export async function loadSession(store: EventStore, id: string): Promise<StoredSession> {
  const stored = await store.load(id);
  if (!stored) throw noSession(id);
  return stored;
}

/** @throws Problem 404 */
export async function exportSession(store: EventStore, id: string): Promise<SessionDocument> {
  return toDocument((await loadSession(store, id)).session);
}

/**
 * Carries out a batch of commands and says what happened.
 * @throws Problem 404 for an unknown session, 409 for an id used again for other commands, 422 for a command that
 * is malformed or names something that is not there. Then nothing has changed.
 */
export async function submitBatch(store: EventStore, id: string, value: unknown): Promise<Confirmation> {
  const result = await store.append(id, batchFrom(value));
  switch (result.kind) {
    case 'appended':
    case 'known':
      return result.confirmation;
    case 'no-session':
      throw noSession(id);
    case 'id-reused':
      throw new Problem(409, 'Id used again', 'Another batch of this session has this id already.', [
        { pointer: '#/id', detail: 'was used for other commands' },
      ]);
    case 'refused': {
      const { field, detail } = result.refusal;
      const pointer = pointerTo(['commands', result.index, field]);
      throw new Problem(422, 'Refused', detail, [{ pointer, detail }]);
    }
  }
}
