/** Where the caret was in a text, kept over a reload of this page. */
export interface Caret {
  readonly start: number;
  readonly end: number;
  readonly scrollTop: number;
}

type CaretStorage = Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>;

/** The carets of one page's texts. */
export class CaretKeeper {
  /** @param page what tells this page's texts from those of other sessions */
  constructor(
    readonly storage: CaretStorage,
    readonly page: string,
  ) {}

  /** Keeps where the caret of a document stood. */
  keep(document: string, caret: Caret): void {
    try {
      this.storage.setItem(this.#key(document), JSON.stringify(caret));
    } catch {
      // Without room for it the caret begins at the end, and nothing is lost.
    }
  }

  /** The caret that was kept for a text, once; null if there is none. */
  take(document: string): Caret | null {
    const text = this.storage.getItem(this.#key(document));
    this.storage.removeItem(this.#key(document));
    if (text === null) return null;
    const { start, end, scrollTop } = JSON.parse(text) as Partial<Caret>;
    return typeof start === 'number' && typeof end === 'number' && typeof scrollTop === 'number'
      ? { start, end, scrollTop }
      : null;
  }

  #key(document: string): string {
    return `key-fold/caret/${this.page}/${document}`;
  }
}
