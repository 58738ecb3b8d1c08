/**
 * Browser windows of page applications: opened, brought forward and closed with the windows that stand for them. A page
 * that is reloaded has lost hold of those it opened, and a page may cut the hold itself (Cross-Origin-Opener-Policy); what
 * stands for them then opens them anew.
 */
import type { WindowId } from '../core/model/ids';

/** A browser window, as far as it is needed. */
type Handle = Pick<Window, 'focus' | 'close' | 'closed'>;

/** How often it is looked whether somebody has closed one, in ms. */
const LOOK_MS = 500;

/**
 * It keeps a link back to Key Fold's page: without one a browser lets nobody close it. It cannot read anything there, being
 * of another origin.
 */
const openWindow = (address: string): Handle | null => window.open(address, '_blank', 'popup');

/** The browser windows of one page. */
export class BrowserWindows {
  readonly #open = new Map<WindowId, Handle>();
  #timer: ReturnType<typeof setInterval> | undefined;

  /**
   * @param changed hears which windows have a browser window, whenever that is different
   * @param opener opens a browser window at an address; null if the browser does not let it
   */
  constructor(
    readonly changed: (open: ReadonlySet<WindowId>) => void,
    readonly opener: (address: string) => Handle | null = openWindow,
  ) {}

  /** Brings the browser window of a window forward, or opens it. False if the browser does not let it open. */
  show(window: WindowId, address: string): boolean {
    const open = this.#open.get(window);
    if (open && !open.closed) {
      open.focus();
      return true;
    }
    const opened = this.opener(address);
    if (!opened) return false;
    this.#open.set(window, opened);
    this.#timer ??= setInterval(() => this.#dropClosed(), LOOK_MS);
    this.#tell();
    return true;
  }

  /** Closes those whose windows are not there any more. */
  follow(isThere: (window: WindowId) => boolean): void {
    for (const [window, handle] of this.#open) if (!isThere(window)) handle.close();
    this.#drop((window) => !isThere(window));
  }

  /** Looks no longer. */
  stop(): void {
    clearInterval(this.#timer);
    this.#timer = undefined;
  }

  #dropClosed(): void {
    this.#drop((_, handle) => handle.closed);
  }

  #drop(which: (window: WindowId, handle: Handle) => boolean): void {
    const gone = [...this.#open].filter(([window, handle]) => which(window, handle));
    for (const [window] of gone) this.#open.delete(window);
    if (gone.length > 0) this.#tell();
    if (this.#open.size === 0) this.stop();
  }

  #tell(): void {
    this.changed(new Set(this.#open.keys()));
  }
}
