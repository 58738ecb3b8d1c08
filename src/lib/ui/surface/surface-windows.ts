import { exposedWindows } from '../../core/layout/exposed';
import { layersFor } from '../../core/layout/layers';
import type { Session, Window, WindowId } from '../../core/session/session';
import { isVisible, windowOf } from '../../core/session/views';

/** One window as the surface draws it. */
export interface SurfaceWindow {
  readonly window: Window;
  readonly layer: number;
  readonly front: boolean;
  readonly exposed: boolean;
}

/**
 * The visible windows of a session for the surface to draw. Entries that did not change keep their identity from
 * one call to the next, so that only the windows that changed are touched.
 */
export class SurfaceWindows {
  #layers: ReadonlyMap<WindowId, number> = new Map();
  #entries: ReadonlyMap<WindowId, SurfaceWindow> = new Map();

  /** In the order of the session's windows, not of their stacking: elements never change places. */
  of(session: Session, surface: { width: number; height: number }): SurfaceWindow[] {
    this.#layers = layersFor(session.stacking, this.#layers);
    const pile = session.stacking
      .map((id) => windowOf(session, id))
      .filter((window) => isVisible(session, window));
    const exposed = exposedWindows(pile, surface);
    const entries = new Map<WindowId, SurfaceWindow>();
    for (const window of Object.values(session.windows)) {
      if (!isVisible(session, window)) continue;
      entries.set(
        window.id,
        this.#entry({
          window,
          layer: this.#layers.get(window.id) ?? 0,
          front: session.front === window.id,
          exposed: exposed.has(window),
        }),
      );
    }
    this.#entries = entries;
    return [...entries.values()];
  }

  #entry(now: SurfaceWindow): SurfaceWindow {
    const before = this.#entries.get(now.window.id);
    const same =
      before?.window === now.window &&
      before.layer === now.layer &&
      before.front === now.front &&
      before.exposed === now.exposed;
    return same ? before : now;
  }
}
