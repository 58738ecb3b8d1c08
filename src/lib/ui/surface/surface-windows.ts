import { find, has } from '../../core/model/table';
import { exposedWindows } from '../../core/layout/exposed';
import { layersFor } from '../../core/layout/layers';
import type { Extent, Geometry } from '../../core/model/geometry';
import { boxOn } from '../../core/placing/placement';
import { type Session, isVisible } from '../../core/session/session';
import type { AppWindow } from '../../core/slices/windows/state';
import type { WindowId } from '../../core/model/ids';
import { windowOf } from '../../core/slices/windows/selectors';
import { windowName } from '../words/texts';

/** A window with its content. */
export interface Sheet {
  readonly window: AppWindow;
  /** Where it lies on this surface. */
  readonly box: Geometry;
  readonly front: boolean;
  /** Whether it is being moved or sized: then it lies where that says. */
  readonly lifted: boolean;
  /**
   * `exposed`: some of it can be seen. `covered`: others lie over all of it. `away`: minimised, hidden or elsewhere.
   * Only what is exposed is painted; the others keep their content, so that a window comes back with its caret,
   * its scrolling and its undo as they were.
   */
  readonly showing: 'exposed' | 'covered' | 'away';
  /** Its layer among the exposed; null if it is none of them. */
  readonly layer: number | null;
  /** Exposed, but so little of it shows that only its frame is painted. */
  readonly frameOnly: boolean;
}

/** A window where it lies on a surface. */
interface Laid {
  readonly window: AppWindow;
  readonly geometry: Geometry;
}

/** A covered window without content: there by name alone. */
export interface CoveredName {
  readonly id: WindowId;
  readonly name: string;
}

/** Windows that keep their content, at most, unless more are exposed. */
const MOST_KEPT = 40;
/** Windows that are painted with their content, at most: those of which most shows … */
const MOST_PAINTED = 12;
/** … and that is at least so much, in cells: a corner or an edge tells nothing. */
const LEAST_PAINTED = 24;

/**
 * The windows of a session for the surface to draw. Entries that did not change keep their identity from one call
 * to the next, so that only the windows that changed are touched.
 */
export class SurfaceWindows {
  #layers: ReadonlyMap<WindowId, number> = new Map();
  #sheets: ReadonlyMap<WindowId, Sheet> = new Map();
  #names = new WeakMap<AppWindow, CoveredName>();
  #laid = new WeakMap<AppWindow, Laid>();
  #surface: Extent = { width: 0, height: 0 };
  /** Those with content, the ones that were exposed last first. */
  #kept: ReadonlySet<WindowId> = new Set();

  /**
   * Sheets come in the order of the session's windows, not of their stacking: elements never change places.
   * @param lifted the window that is moved or sized
   * @param pictured the window that is painted wherever it lies, for a picture
   */
  of(
    session: Session,
    surface: Extent,
    lifted: WindowId | null = null,
    pictured: WindowId | null = null,
  ): { sheets: Sheet[]; covered: CoveredName[] } {
    this.#meet(surface);
    const pile = session.stacking
      .map((id) => windowOf(session, id))
      .filter((window) => isVisible(session, window));
    // What is moved may be anywhere in a moment, and covers nothing until it lies.
    const lying = pile.filter(({ id }) => id !== lifted).map((window) => this.#lay(window));
    const exposed = new Map(
      [...exposedWindows(lying, surface)].map(([{ window }, cells]) => [window, cells]),
    );
    // Where nothing of it shows the front window still has the keys, and one of which a picture is taken its content.
    for (const id of [session.front, lifted, pictured]) {
      const above = id === null ? undefined : find(session.windows, id);
      if (above) exposed.set(above, Infinity);
    }
    this.#layers = layersFor(
      pile.filter((window) => exposed.has(window)).map(({ id }) => id),
      this.#layers,
    );
    const painted = mostShown(exposed);
    this.#kept = this.#keep(session, exposed.keys());

    const sheets = new Map<WindowId, Sheet>();
    for (const window of session.windows) {
      const { id } = window;
      if (!this.#kept.has(id)) continue;
      const away = !isVisible(session, window);
      const showing = away ? 'away' : exposed.has(window) ? 'exposed' : 'covered';
      const layer = this.#layers.get(id) ?? null;
      const frameOnly = showing === 'exposed' && !painted.has(window);
      const { geometry: box } = this.#lay(window);
      const front = session.front === id;
      sheets.set(id, this.#same({ window, box, front, lifted: id === lifted, showing, layer, frameOnly }));
    }
    this.#sheets = sheets;
    const covered = pile.filter(({ id }) => !sheets.has(id)).map((window) => this.#name(session, window));
    return { sheets: [...sheets.values()], covered };
  }

  /** On another surface everything lies elsewhere. */
  #meet(surface: Extent): void {
    if (surface.width === this.#surface.width && surface.height === this.#surface.height) return;
    this.#surface = surface;
    this.#laid = new WeakMap();
  }

  #lay(window: AppWindow): Laid {
    const known = this.#laid.get(window);
    if (known) return known;
    const laid = { window, geometry: boxOn(this.#surface, window) };
    this.#laid.set(window, laid);
    return laid;
  }

  #keep(session: Session, exposed: Iterable<AppWindow>): Set<WindowId> {
    const kept = new Set<WindowId>();
    for (const { id } of exposed) kept.add(id);
    for (const id of this.#kept) {
      if (kept.size >= MOST_KEPT) break;
      if (has(session.windows, id)) kept.add(id);
    }
    return kept;
  }

  #same(now: Sheet): Sheet {
    const before = this.#sheets.get(now.window.id);
    const same =
      before?.window === now.window &&
      before.box === now.box &&
      before.lifted === now.lifted &&
      before.front === now.front &&
      before.showing === now.showing &&
      before.layer === now.layer &&
      before.frameOnly === now.frameOnly;
    return same ? before : now;
  }

  #name(session: Session, window: AppWindow): CoveredName {
    const known = this.#names.get(window);
    if (known) return known;
    const made = { id: window.id, name: windowName(session, window) };
    this.#names.set(window, made);
    return made;
  }
}

/** The windows that are painted with their content. */
function mostShown(exposed: ReadonlyMap<AppWindow, number>): Set<AppWindow> {
  const enough = [...exposed].filter(([, cells]) => cells >= LEAST_PAINTED);
  const most = enough.sort(([, a], [, b]) => b - a).slice(0, MOST_PAINTED);
  return new Set(most.map(([window]) => window));
}
