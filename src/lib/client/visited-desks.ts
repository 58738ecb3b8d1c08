/** The desks that this browser has been at, for the list of desks: their addresses are known to nobody else. */
import type { OutboxStorage } from './outbox';

const KEY = 'key-fold/desks';
/** So many are remembered, those visited last. */
const MOST = 20;

type DeskStorage = Pick<OutboxStorage, 'getItem' | 'setItem'>;

/** A desk that was visited. */
export interface VisitedDesk {
  readonly id: string;
  readonly title: string;
}

/** The desks visited, the last one first. */
export function visitedDesks(storage: DeskStorage): readonly VisitedDesk[] {
  try {
    const stored: unknown = JSON.parse(storage.getItem(KEY) ?? '[]');
    return Array.isArray(stored) ? stored.filter(isDesk).slice(0, MOST) : [];
  } catch {
    return [];
  }
}

/** Remembers that a desk was visited just now. */
export function rememberDesk(storage: DeskStorage, { id, title }: VisitedDesk): void {
  const others = visitedDesks(storage).filter((one) => one.id !== id);
  try {
    storage.setItem(KEY, JSON.stringify([{ id, title }, ...others].slice(0, MOST)));
  } catch {
    // A full storage keeps what it has; the list is a convenience.
  }
}

const isDesk = (value: unknown): value is VisitedDesk =>
  typeof value === 'object' &&
  value !== null &&
  'id' in value &&
  typeof value.id === 'string' &&
  'title' in value &&
  typeof value.title === 'string';
