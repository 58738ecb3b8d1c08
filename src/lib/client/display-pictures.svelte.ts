import { SvelteMap } from 'svelte/reactivity';
import {
  LOOK_AGAIN_MS,
  MOST_LOOKED_AT,
  pictureWidth,
  type LookedAt,
  type Picture,
} from '../core/display/pictures';
import type { WindowId } from '../core/model/ids';

/** Asks for pictures of windows that look different than what was seen. */
export type AskForPictures = (windows: readonly LookedAt[]) => Promise<readonly Picture[]>;

/** The pictures of a display's windows that something on this page looks at: asked for while it does, and no longer. */
export class DisplayPictures {
  readonly #pictures = new SvelteMap<WindowId, Picture>();
  /** Who looks at each window, and how wide. */
  readonly #looks = new Map<WindowId, Set<{ readonly width: number }>>();
  #timer: ReturnType<typeof setTimeout> | undefined;
  #asking = false;

  constructor(
    readonly ask: AskForPictures,
    /** Whether anybody can see this page. */
    readonly isSeen: () => boolean,
  ) {}

  /** How a window looked last, as an address of its picture; null if that is not known. */
  of(window: WindowId): string | null {
    const picture = this.#pictures.get(window);
    return picture ? `data:image/png;base64,${picture.png}` : null;
  }

  /** Looks at a window until the returned function is called. @param width in pixels of the screen */
  look(window: WindowId, width: number): () => void {
    const look = { width: pictureWidth(width) };
    const looks = this.#looks.get(window) ?? new Set();
    this.#looks.set(window, looks.add(look));
    // What else comes into sight with it is asked for with it.
    this.#again(0);
    return () => {
      looks.delete(look);
      if (looks.size === 0) this.#looks.delete(window);
    };
  }

  /** Forgets how some windows looked: all those of which this says so. */
  forget(isForgotten: (window: WindowId) => boolean): void {
    for (const window of [...this.#pictures.keys()]) if (isForgotten(window)) this.#pictures.delete(window);
  }

  #again(ms: number): void {
    if (this.#asking) return;
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => void this.#askAll(), ms);
  }

  async #askAll(): Promise<void> {
    if (this.#looks.size === 0) return;
    if (this.isSeen()) {
      this.#asking = true;
      const known = new Set(this.#looks.keys());
      // Whatever went wrong, it is asked for again.
      const pictures = await this.ask(this.#wanted()).catch(() => []);
      this.#asking = false;
      for (const picture of pictures) this.#pictures.set(picture.window, picture);
      if ([...this.#looks.keys()].some((window) => !known.has(window))) return this.#again(0);
    }
    this.#again(LOOK_AGAIN_MS);
  }

  #wanted(): LookedAt[] {
    return [...this.#looks].slice(0, MOST_LOOKED_AT).map(([window, looks]) => ({
      window,
      width: Math.max(...[...looks].map(({ width }) => width)),
      seen: this.#pictures.get(window)?.version ?? null,
    }));
  }
}
