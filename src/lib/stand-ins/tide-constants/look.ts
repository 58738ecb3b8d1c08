/** Where keys lead the instant one looks at. */
import { nextWaters, type Constituent } from './tide';

const MINUTE_MS = 60_000;
const DAY_MS = 24 * 60 * MINUTE_MS;
/** Found anew, a water may be some seconds from where it was found: within a minute it is the same. */
const SAME_MS = MINUTE_MS;
/** How far an arrow goes, in ms. */
export const STEP_MS = 10 * MINUTE_MS;

/**
 * The instant a key leads to: arrows left and right by ten minutes, down to the next high or low water and up to the one
 * before, Page keys by a day. Null for a key that leads nowhere.
 */
export function lookedAt(constituents: readonly Constituent[], at: number, key: string): number | null {
  switch (key) {
    case 'ArrowLeft':
      return at - STEP_MS;
    case 'ArrowRight':
      return at + STEP_MS;
    case 'ArrowDown':
      return nextWaters(constituents, at + SAME_MS)[0]?.instant ?? at;
    case 'ArrowUp':
      return waterBefore(constituents, at);
    case 'PageDown':
      return at + DAY_MS;
    case 'PageUp':
      return at - DAY_MS;
    default:
      return null;
  }
}

/** Going on from far enough before, the last one that comes earlier. */
function waterBefore(constituents: readonly Constituent[], at: number): number {
  let before = at;
  for (let from = at - 2 * DAY_MS; from < at;) {
    const next = nextWaters(constituents, from)[0]?.instant;
    if (next === undefined || next >= at - SAME_MS) break;
    before = next;
    from = next + SAME_MS;
  }
  return before;
}
