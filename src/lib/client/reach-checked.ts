import { pageStorage } from './page-storage';

/** Where the browser keeps what did not arrive: it belongs to the machine, not to a desk. */
const STORED_AS = 'key-fold/reach';

/** The combinations that did not arrive at the last reach check in this browser, by `chordText`. */
export function missedHere(): ReadonlySet<string> {
  try {
    const stored: unknown = JSON.parse(pageStorage().getItem(STORED_AS) ?? '[]');
    return new Set(Array.isArray(stored) ? stored.filter((one) => typeof one === 'string') : []);
  } catch {
    // What somebody else has written there is no result of a check.
    return new Set();
  }
}

/** Keeps what did not arrive. */
export function keepMissed(missed: Iterable<string>): void {
  try {
    pageStorage().setItem(STORED_AS, JSON.stringify([...missed]));
  } catch {
    // Without room for it, nothing warns later; the check itself has said it.
  }
}
