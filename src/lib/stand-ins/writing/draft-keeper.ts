/** What was typed is handed on after this many ms at the latest: within a second of typing. */
export const KEEP_WITHIN_MS = 500;

/** Hands typed text on soon, but not at every keystroke. */
export class DraftKeeper {
  #text: string | null = null;
  #timer: ReturnType<typeof setTimeout> | undefined;

  constructor(readonly keep: (text: string) => void) {}

  /** Whether something was typed that was not handed on yet. */
  get waiting(): boolean {
    return this.#text !== null;
  }

  /** Takes what stands in the text now; it is kept a moment later. */
  typed(text: string): void {
    if (this.#text === null) this.#timer = setTimeout(() => this.flush(), KEEP_WITHIN_MS);
    this.#text = text;
  }

  /** Hands on at once what is waiting. */
  flush(): void {
    clearTimeout(this.#timer);
    if (this.#text === null) return;
    const text = this.#text;
    this.#text = null;
    this.keep(text);
  }
}
