/** What the server does with sessions, for its routes: input checked, outcomes as problems. */
import { picturesIn, type Picture } from '../core/capture/picture';
import { toDocument, type SessionDocument } from '../core/formats/session-document';
import type { Batch } from '../core/commands/commands';
import type { Report } from '../core/protocol/report';
import { busy, pointerTo, Problem } from './http/problem';
import { batchFrom } from './input/batch-input';
import type { Imported } from './import/messages';
import { pictureOf } from './pictures/kept-pictures';
import type { EventStore } from './store/event-store';
import { digestOf } from './store/log-row';
import { eventStream, type Followed } from './store/event-stream';
import type { StoredSession } from './store/session-cache';

/** Streams that may be open at once, and sessions that one of them may follow. */
const MOST_STREAMS = 1_000;
/** Sessions that one stream may follow. */
export const MOST_FOLLOWED = 50;

/** That there is no such session. */
export const noSession = (id: string) => new Problem('no-such-session', `There is no session '${id}'.`);

/** Stores a session and its pictures under a new id. */
export async function createSession(store: EventStore, { session, pictures }: Imported): Promise<string> {
  const id = `s-${crypto.randomUUID()}`;
  await store.createFromJson(id, session);
  try {
    await store.pictures.keep(id, pictures, []);
  } catch (error) {
    await store.remove(id);
    throw error;
  }
  return id;
}

/** @throws Problem `no-such-session` */
export async function loadSession(store: EventStore, id: string): Promise<StoredSession> {
  const stored = await store.load(id);
  if (!stored) throw noSession(id);
  return stored;
}

/** @throws Problem `no-such-session` */
export async function exportSession(store: EventStore, id: string): Promise<SessionDocument> {
  const { session } = await loadSession(store, id);
  return toDocument(
    session,
    await store.pictures.filesOf(
      id,
      picturesIn(session).map(({ digest }) => digest),
    ),
  );
}

/**
 * Keeps a picture of a session, and answers with what its document is to say of it.
 * @throws Problem `no-such-session`, `not-a-picture`, `no-room-for-pictures`
 */
export async function keepPicture(store: EventStore, id: string, png: Uint8Array): Promise<Picture> {
  const { session } = await loadSession(store, id);
  const file = pictureOf(png);
  if (!file) throw new Problem('not-a-picture', 'This is no PNG, or there is more in it than the picture.');
  await store.pictures.keep(
    id,
    [file],
    picturesIn(session).map(({ digest }) => digest),
  );
  const { digest, width, height, bytes } = file;
  return { digest, width, height, bytes };
}

/** The file of a session's picture. @throws Problem `no-such-picture` */
export async function findPicture(store: EventStore, id: string, digest: string): Promise<Uint8Array> {
  const file = await store.pictures.find(id, digest);
  if (!file) throw new Problem('no-such-picture', `There is no picture '${digest}' in the session '${id}'.`);
  return file;
}

/** Removes a session and all that is known of it. @throws Problem `no-such-session` */
export async function deleteSession(store: EventStore, id: string): Promise<void> {
  if (!(await store.remove(id))) throw noSession(id);
}

/**
 * A stream of what happens in one session, or in several.
 * @throws Problem `no-such-session`, or `busy` if too many streams are open.
 */
export async function followSessions(
  store: EventStore,
  followed: readonly Followed[],
  { named }: { named: boolean },
): Promise<ReadableStream<Uint8Array>> {
  if (store.streams >= MOST_STREAMS) throw busy('Too many pages listen already.', 5);
  if (!named)
    for (const { session } of followed) if ((await store.last(session)) === null) throw noSession(session);
  return eventStream(store, followed, { named });
}

/**
 * Carries out a batch of commands and says what happened.
 * @throws Problem `no-such-session`; `id-used-again` for an id used again for other commands; `refused` for a command
 * that names something that is not there; `not-a-batch` for a malformed one. Then nothing has changed.
 */
export async function submitBatch(store: EventStore, id: string, value: unknown): Promise<Report> {
  const result = await store.append(id, batchFrom(value), digestOf(value as Batch));
  switch (result.kind) {
    case 'appended':
    case 'known':
      return result.report;
    case 'no-session':
      throw noSession(id);
    case 'id-reused':
      throw new Problem('id-used-again', 'Another batch of this session has this id already.', [
        { pointer: '#/id', detail: 'was used for other commands' },
      ]);
    case 'too-slow':
      throw new Problem('batch-too-slow', 'The batch takes longer than the server gives one batch.');
    case 'refused': {
      const { field, detail } = result.refusal;
      const pointer = pointerTo(['commands', result.index, field]);
      throw new Problem('refused', detail, [{ pointer, detail }]);
    }
  }
}
