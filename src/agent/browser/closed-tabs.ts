/** So many of them are remembered. */
const MOST = 200;

/** What had closed, and the addresses that were shown there. */
export interface Closed {
  /** Of the tab, or of the window with all its tabs. */
  readonly id: string;
  /** The browser's process. */
  readonly pid: number;
  readonly urls: readonly string[];
}

/** Tabs and windows of browsers that have closed, so that they can be opened again, and what is back. In memory only. */
export class ClosedTabs {
  readonly #closed: Closed[] = [];
  readonly #back = new Map<string, string>();

  remember(closed: Closed): void {
    this.#closed.push(closed);
    if (this.#closed.length > MOST) this.#closed.shift();
  }

  /** What closed under this id; null: what closed last. */
  find(id: string | null): Closed | undefined {
    return this.#closed.findLast((closed) => id === null || closed.id === id);
  }

  /** It is back as these tabs. */
  isBackAs(id: string, tabs: readonly string[]): void {
    const at = this.#closed.findLastIndex((closed) => closed.id === id);
    if (at >= 0) this.#closed.splice(at, 1);
    for (const tab of tabs) this.#back.set(tab, id);
  }

  /** What a tab was before it had closed; undefined for one that had not. */
  whatWas(tab: string): string | undefined {
    return this.#back.get(tab);
  }

  /** A tab is gone, whatever it was. */
  forget(tab: string): void {
    this.#back.delete(tab);
  }
}
