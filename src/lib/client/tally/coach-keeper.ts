import { NOTHING_SAID, type Said } from '../../core/tally/coach';
import type { OutboxStorage } from '../outbox';

/** Where the browser keeps what was said: it belongs to the person, not to a desk. */
const STORED_AS = 'key-fold/coach';

/** What the coach knows of somebody, and whether it is listened to. */
export interface Coaching extends Said {
  readonly on: boolean;
}

/** What this browser knows; nothing said, and listened to, where it knows nothing. */
export function keptCoaching(storage: Pick<OutboxStorage, 'getItem'>): Coaching {
  const nothing = { ...NOTHING_SAID, on: true };
  try {
    const kept = JSON.parse(storage.getItem(STORED_AS) ?? 'null') as Partial<Coaching> | null;
    const words = Array.isArray(kept?.words) ? kept.words.filter((word) => typeof word === 'string') : [];
    const last = typeof kept?.last === 'number' ? kept.last : null;
    return { last, words, on: kept?.on !== false };
  } catch {
    return nothing;
  }
}

/** Keeps it. */
export function keepCoaching(storage: Pick<OutboxStorage, 'setItem'>, coaching: Coaching): void {
  try {
    storage.setItem(STORED_AS, JSON.stringify(coaching));
  } catch {
    // Without room for it something may be said twice.
  }
}
