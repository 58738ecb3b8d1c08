/** What one writes with in a window: the browser's own field at once, and the whole editor from when it has come. */
import type { Caret } from '../../client/caret-keeper';
import type { Editor, Writing } from './editor';
import { FirstField } from './first-field';
import { loadWholeEditor, wholeEditor } from './load-whole-editor';
import type { WholeEditor } from './whole-editor';

/** The same, and what is said where the whole editor cannot come. */
export interface PenWriting extends Writing {
  readonly lacking: () => void;
}

/** Writes into a place, which holds nothing else. */
export class Pen {
  #element: HTMLElement;
  #editor: Editor;
  #whole: WholeEditor | null = null;
  /** What undo goes back to. */
  #given: string;
  /** What was asked of the whole editor before it was there, in that order. */
  readonly #asked: ((whole: WholeEditor) => void)[] = [];
  #ended = false;

  /** @param caret where the caret is; at the end if that is not known */
  constructor(
    readonly place: HTMLElement,
    readonly writing: PenWriting,
    caret: Caret | null,
  ) {
    this.#given = writing.text;
    const Whole = wholeEditor();
    if (Whole) {
      this.#element = this.#put('div');
      this.#editor = this.#whole = new Whole(this.#element, writing);
    } else {
      const field = this.#put('textarea');
      const first = new FirstField(field, writing);
      this.#element = field;
      this.#editor = first;
      void this.#goOn(first);
    }
    if (caret) this.#goTo(caret);
  }

  /** Where the caret is, and how far it is scrolled. */
  get caret(): Caret {
    return { ...this.#editor.selection, scrollTop: this.#element.scrollTop };
  }

  #goTo({ scrollTop, ...selection }: Caret): void {
    this.#editor.selection = selection;
    this.#element.scrollTop = scrollTop;
  }

  /** Takes in what was written elsewhere. */
  take(text: string): void {
    this.#given = text;
    this.#editor.take(text);
  }

  /** Looks again whether one may write. */
  refresh(): void {
    this.#editor.refresh();
  }

  /** Hears of all that was done with the keys until now. */
  settle(): void {
    this.#whole?.settle();
  }

  /** Gives it the keys. */
  focus(): void {
    this.#editor.focus();
  }

  /** Asks what only the whole editor does: at once, or when it has come. */
  ask(what: (whole: WholeEditor) => void): void {
    if (this.#whole) return what(this.#whole);
    this.#asked.push(what);
    if (this.#editor instanceof FirstField) void this.#goOn(this.#editor);
  }

  /** Takes it down. */
  destroy(): void {
    this.#ended = true;
    this.#editor.destroy();
  }

  /** The whole editor goes on with what is in the field, in one go between two keys: none is lost. */
  async #goOn(first: FirstField): Promise<void> {
    const Whole = await loadWholeEditor();
    await first.atRest();
    if (this.#ended || this.#whole) return;
    if (!Whole) return this.#doWithout();
    const { caret } = this;
    const field = this.#element;
    this.#element = this.#put('div');
    const whole = new Whole(this.#element, { ...this.writing, text: this.#given });
    this.#editor = this.#whole = whole;
    whole.goOn(first.text);
    this.#goTo(caret);
    if (field.matches(':focus')) whole.focus();
    first.destroy();
    field.remove();
    for (const what of this.#asked.splice(0)) what(whole);
  }

  #doWithout(): void {
    if (this.#asked.splice(0).length > 0) this.writing.lacking();
  }

  #put<Name extends 'div' | 'textarea'>(name: Name): HTMLElementTagNameMap[Name] {
    const element = this.place.ownerDocument.createElement(name);
    element.dataset['takesFocus'] = '';
    this.place.append(element);
    return element;
  }
}
