import { LESSONS } from '../core/lessons/lessons';
import { pageStorage } from './page-storage';

/** Where the browser keeps how far somebody is: it belongs to the person, not to a desk. */
const STORED_AS = 'key-fold/first-minutes';

/** How far somebody is with the first minutes. */
export interface Progress {
  /** The lesson that comes next, counted from 0; as many as there are once all are done. */
  readonly at: number;
  /** Whether they are shown. */
  readonly on: boolean;
}

/** How far somebody is in this browser; null if they were never shown. */
export function keptProgress(): Progress | null {
  try {
    const kept = JSON.parse(pageStorage().getItem(STORED_AS) ?? 'null') as Partial<Progress> | null;
    if (kept === null || !Number.isInteger(kept.at)) return null;
    return { at: Math.min(Math.max(0, kept.at ?? 0), LESSONS.length), on: kept.on === true };
  } catch {
    // What somebody else has written there is no progress.
    return null;
  }
}

/** Keeps it. */
export function keepProgress(progress: Progress): void {
  try {
    pageStorage().setItem(STORED_AS, JSON.stringify(progress));
  } catch {
    // Without room for it they begin anew the next time.
  }
}
