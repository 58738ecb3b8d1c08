import type { ToldTabs } from '../../lib/core/display/told';

/** What is known of windows that no X server tells: whether they answer, and which tabs they have. */
export class WindowNotes {
  readonly #silent = new Set<number>();
  readonly #tabs = new Map<number, { readonly tabs: ToldTabs; readonly text: string }>();

  /** Whether a window answered when it was asked last. */
  isAnswering(xid: number): boolean {
    return !this.#silent.has(xid);
  }

  /** Answers whether that is news. */
  setAnswering(xid: number, answering: boolean): boolean {
    if (this.#silent.has(xid) === !answering) return false;
    if (answering) this.#silent.delete(xid);
    else this.#silent.add(xid);
    return true;
  }

  /** The tabs of a window, where they are known. */
  tabsOf(xid: number): ToldTabs | undefined {
    return this.#tabs.get(xid)?.tabs;
  }

  /** Answers whether that is news. */
  setTabs(xid: number, tabs: ToldTabs | undefined): boolean {
    const text = tabs && JSON.stringify(tabs);
    if (this.#tabs.get(xid)?.text === text) return false;
    if (tabs && text !== undefined) this.#tabs.set(xid, { tabs, text });
    else this.#tabs.delete(xid);
    return true;
  }

  forget(xid: number): void {
    this.#silent.delete(xid);
    this.#tabs.delete(xid);
  }
}
