/** What one writes in until the whole editor is there: a field of the browser's own, which takes keys at once. */
import { changeBetween, withPlainLineEnds } from './change';
import { fits, type Editor, type Selected, type Writing } from './editor';

/** The field in a window. */
export class FirstField implements Editor {
  readonly #ended = new AbortController();
  #composing = false;
  #text: string;

  constructor(
    readonly field: HTMLTextAreaElement,
    readonly writing: Writing,
  ) {
    this.field.value = writing.text;
    this.#text = this.field.value;
    this.selection = { start: this.#text.length, end: this.#text.length };
    this.field.ariaLabel = writing.label;
    this.field.spellcheck = false;
    this.refresh();
    const { signal } = this.#ended;
    this.field.addEventListener('input', () => this.#typed(), { signal });
    this.field.addEventListener('compositionstart', () => (this.#composing = true), { signal });
    this.field.addEventListener('compositionend', () => (this.#composing = false), { signal });
  }

  get text(): string {
    return this.#text;
  }

  get selection(): Selected {
    const { selectionStart, selectionEnd, selectionDirection } = this.field;
    return selectionDirection === 'backward'
      ? { start: selectionEnd, end: selectionStart }
      : { start: selectionStart, end: selectionEnd };
  }

  /** Selects the letters between two; the caret is at the second. */
  set selection({ start, end }) {
    this.field.setSelectionRange(
      Math.min(start, end),
      Math.max(start, end),
      start > end ? 'backward' : 'forward',
    );
  }

  /** Takes in what was written elsewhere; the caret stays with the letters around it, and undo does not reach it. */
  take(text: string): void {
    const change = changeBetween(this.#text, withPlainLineEnds(text));
    if (!change) return;
    this.field.setRangeText(change.put, change.from, change.to, 'preserve');
    this.#text = this.field.value;
  }

  /** Looks again whether one may write. */
  refresh(): void {
    this.field.readOnly = !this.writing.writable();
  }

  /** Gives it the keys. */
  focus(): void {
    this.field.focus();
  }

  /** Takes it down. */
  destroy(): void {
    this.#ended.abort();
  }

  /** Resolves once no letter is being put together in it: what is begun there would be lost elsewhere. */
  async atRest(): Promise<void> {
    while (this.#composing) {
      await new Promise((done) => this.field.addEventListener('compositionend', done, { once: true }));
      // Some browsers tell of the end before what came of it is told by `input`.
      await new Promise((done) => setTimeout(done));
    }
  }

  #typed(): void {
    const now = this.field.value;
    if (fits(now.length, this.#text.length)) {
      this.#text = now;
      this.writing.written(now);
      return;
    }
    const change = changeBetween(now, this.#text);
    if (change) this.field.setRangeText(change.put, change.from, change.to, 'end');
    this.writing.refused();
  }
}
