/** Which window of a display is which window of a browser: no number is known on both sides. */
import type { Geometry } from '../../lib/core/model/geometry';

/** A window as its browser knows it. */
export interface BrowserWindow {
  readonly id: number;
  readonly box: Geometry;
  /** Of the tab that it shows. */
  readonly title: string;
  readonly focused: boolean;
}

/** A window of the same process as the display knows it. */
export interface DisplayWindow {
  readonly xid: number;
  readonly geometry: Geometry;
  readonly title: string;
  readonly active: boolean;
}

interface Pair {
  readonly window: BrowserWindow;
  readonly shown: DisplayWindow;
  /** The less, the likelier. */
  readonly distance: number;
}

/** A focus that both sides tell of is worth so many pixels. */
const FOCUS_PX = 20;

/**
 * The display's window of each window of a browser, by their numbers. What was known stays, as long as both are there; a
 * window is found by the title that it shows and by where it is, and not before it is unlike all others: a wrong answer would
 * bring forward something else.
 */
export function matched(
  windows: readonly BrowserWindow[],
  shown: readonly DisplayWindow[],
  known: ReadonlyMap<number, number>,
): Map<number, number> {
  const found = new Map<number, number>();
  const there = new Set(shown.map(({ xid }) => xid));
  for (const { id } of windows) {
    const xid = known.get(id);
    if (xid !== undefined && there.delete(xid)) found.set(id, xid);
  }
  for (;;) {
    const openWindows = windows.filter(({ id }) => !found.has(id));
    const openShown = shown.filter(({ xid }) => there.has(xid));
    const [window] = openWindows;
    const [last] = openShown;
    // A title may not have arrived on both sides yet.
    if (window && last && openWindows.length === 1 && openShown.length === 1)
      return found.set(window.id, last.xid);
    const pairs = openWindows.flatMap((one) => openShown.flatMap((other) => pairOf(one, other) ?? []));
    const sure = pairs.find((pair) => pairs.every((other) => other === pair || !rivals(pair, other)));
    if (!sure) return found;
    found.set(sure.window.id, sure.shown.xid);
    there.delete(sure.shown.xid);
  }
}

/** Browsers put the title of the tab somewhere into that of the window. */
function pairOf(window: BrowserWindow, shown: DisplayWindow): Pair | null {
  if (!plain(shown.title).includes(plain(window.title))) return null;
  const { x, y, width, height } = window.box;
  const { geometry } = shown;
  const apart =
    Math.abs(x - geometry.x) +
    Math.abs(y - geometry.y) +
    Math.abs(width - geometry.width) +
    Math.abs(height - geometry.height);
  return { window, shown, distance: apart + (window.focused === shown.active ? 0 : FOCUS_PX) };
}

/** Whether two pairs share a window, and the second is as likely as the first. */
const rivals = (pair: Pair, other: Pair): boolean =>
  (pair.window === other.window || pair.shown === other.shown) && other.distance <= pair.distance;

const plain = (title: string): string => title.replace(/\s+/g, ' ').trim();
