import { BrowserWindows } from '../../client/browser-windows';
import { pageFrom } from '../../core/guests/page';
import type { WindowId } from '../../core/model/ids';
import { find, has } from '../../core/model/table';
import type { Session } from '../../core/session/session';
import { documentOf } from '../../core/slices/documents/selectors';
import { activeTab } from '../../core/slices/windows/selectors';

/** The browser windows of page applications, as the windows of a session stand for them. */
export class PageWindows {
  #open = $state.raw<ReadonlySet<WindowId>>(new Set());
  readonly #windows = new BrowserWindows((open) => (this.#open = open));
  #front: WindowId | null;

  constructor(readonly session: () => Session) {
    // What was in front when the page came was there already: nobody has pressed anything that would open a window.
    this.#front = session().front;
  }

  /** Whether the browser window of a window is open. */
  isOpen(window: WindowId): boolean {
    return this.#open.has(window);
  }

  /** Closes those whose windows have gone; that of what has come to the front comes forward too. */
  follow(): void {
    const { front, windows } = this.session();
    this.#windows.follow((window) => has(windows, window));
    const came = front !== this.#front;
    this.#front = front;
    if (came && front !== null) this.show(front);
  }

  /** Brings the browser window of a window forward, or opens it. False if the browser does not let it. */
  show(id: WindowId): boolean {
    const window = find(this.session().windows, id);
    const document = window && documentOf(this.session(), activeTab(window).document);
    const read = document?.kind === 'page' ? pageFrom(document.text) : null;
    if (!read || !('page' in read) || read.page.opening !== 'browser-window') return true;
    return this.#windows.show(id, read.page.address.href);
  }

  /** Looks after them no longer. */
  leave(): void {
    this.#windows.stop();
  }
}
