import { LRUCache } from 'lru-cache';
import type { Session } from '../../core/session/session';

/** A session and the number of the last event in it. */
export interface StoredSession {
  readonly session: Session;
  readonly seq: number;
}

/** Sessions held in memory between two batches, to save loading them again. */
const CACHED_SESSIONS = 64;

/** The newest state that is known of some sessions. It never goes back to an older one. */
export class SessionCache {
  readonly #sessions = new LRUCache<string, StoredSession>({ max: CACHED_SESSIONS });

  /** The newest state that is known; undefined if none is kept. */
  get(id: string): StoredSession | undefined {
    return this.#sessions.get(id);
  }

  /** Keeps a state unless a newer one is known; answers with the newest. */
  keep(id: string, stored: StoredSession): StoredSession {
    const known = this.#sessions.get(id);
    if (known && known.seq >= stored.seq) return known;
    this.#sessions.set(id, stored);
    return stored;
  }

  /** Lets go what is known of a session: it may be wrong. */
  forget(id: string): void {
    this.#sessions.delete(id);
  }
}
