/** An editor of plain text with undo of its own, on ProseMirror. */
import { baseKeymap } from 'prosemirror-commands';
import { history, redo, undo } from 'prosemirror-history';
import { keymap } from 'prosemirror-keymap';
import {
  findNext,
  findPrev,
  getMatchHighlights,
  search,
  SearchQuery,
  setSearchState,
} from 'prosemirror-search';
import { EditorState, Plugin, TextSelection, type Command } from 'prosemirror-state';
import { EditorView } from 'prosemirror-view';
import { changeBetween, withPlainLineEnds } from './change';
import { fits, type Editor, type Selected, type Writing } from './editor';
import { copied, docOf, lengthOf, letterAt, pasted, placeOf, textOf } from './plain-text';

/** Which of the places where letters were found is selected, counted from 1 (0 for none), and how many there are. */
export interface Found {
  readonly nth: number;
  readonly of: number;
}

/** Where there is nothing left to undo, the browser must not undo by itself. */
const alone =
  (command: Command): Command =>
  (state, dispatch, view) =>
    command(state, dispatch, view) || true;

/** What would be longer than can be kept is not taken, and that is said; what is shorter than before always is. */
const withinLimits = (refused: () => void): Plugin =>
  new Plugin({
    filterTransaction(change, { doc }) {
      if (!change.docChanged || fits(lengthOf(change.doc), lengthOf(doc))) return true;
      refused();
      return false;
    },
  });

/** The editor in a window. */
export class WholeEditor implements Editor {
  readonly #view: EditorView;

  constructor(place: HTMLElement, writing: Writing) {
    const doc = docOf(writing.text);
    this.#view = new EditorView(
      { mount: place },
      {
        state: EditorState.create({
          doc,
          selection: TextSelection.atEnd(doc),
          plugins: [
            keymap({ 'Mod-z': alone(undo), 'Mod-Shift-z': alone(redo), 'Mod-y': alone(redo) }),
            keymap(baseKeymap),
            history(),
            search(),
            withinLimits(writing.refused),
          ],
        }),
        editable: writing.writable,
        attributes: {
          role: 'textbox',
          'aria-multiline': 'true',
          'aria-label': writing.label,
          spellcheck: 'false',
        },
        clipboardTextParser: pasted,
        clipboardTextSerializer: copied,
        handleDOMEvents: {
          // The browser puts the caret at the start, and the package puts it back a moment later: who types at once
          // must not write there, and who moves the caret at once must not lose that.
          focus: (view) => {
            view.focus();
            return true;
          },
          blur: () => this.settle(),
        },
        // What comes with looks of its own comes as plain text.
        handlePaste: (view, event) => {
          const plain = event.clipboardData?.getData('text/plain');
          return plain ? view.pasteText(plain) : false;
        },
        dispatchTransaction: (change) => {
          this.#view.updateState(this.#view.state.apply(change));
          if (change.docChanged && change.getMeta('from-outside') !== true) writing.written(this.text);
        },
      },
    );
  }

  get text(): string {
    return textOf(this.#view.state.doc);
  }

  /** Takes in what was written elsewhere; the caret stays with the letters around it, and undo does not reach it. */
  take(text: string): void {
    this.#become(text, false);
  }

  /** Takes in what was written here before it was there: undo goes back to what it was given. */
  goOn(text: string): void {
    this.#become(text, true);
  }

  #become(text: string, undone: boolean): void {
    const change = changeBetween(this.text, withPlainLineEnds(text));
    if (!change) return;
    const { doc, tr } = this.#view.state;
    tr.replace(placeOf(doc, change.from), placeOf(doc, change.to), pasted(change.put))
      .setMeta('addToHistory', undone)
      .setMeta('from-outside', true);
    this.#view.dispatch(tr);
  }

  /** The package hears of a moved caret a moment later: what comes sooner asks where it is. */
  settle(): void {
    const { anchorNode, anchorOffset, focusNode, focusOffset } =
      this.#view.dom.ownerDocument.getSelection() ?? {};
    const { dom, state } = this.#view;
    if (!anchorNode || !focusNode || !dom.contains(anchorNode) || !dom.contains(focusNode)) return;
    const anchor = this.#view.posAtDOM(anchorNode, anchorOffset ?? 0);
    const head = this.#view.posAtDOM(focusNode, focusOffset ?? 0);
    const { selection } = state;
    if (selection.anchor === anchor && selection.head === head) return;
    this.#view.dispatch(
      state.tr.setSelection(TextSelection.between(state.doc.resolve(anchor), state.doc.resolve(head))),
    );
  }

  get selection(): Selected {
    this.settle();
    const { doc, selection } = this.#view.state;
    return { start: letterAt(doc, selection.anchor), end: letterAt(doc, selection.head) };
  }

  /** Selects the letters between two; the caret is at the second. */
  set selection({ start, end }) {
    const { doc, tr } = this.#view.state;
    this.#view.dispatch(tr.setSelection(TextSelection.create(doc, placeOf(doc, start), placeOf(doc, end))));
  }

  /** Marks every place where these letters stand, and selects the first one from a letter on; none for an empty text. */
  seek(letters: string, from = 0): Found {
    const query = new SearchQuery({ search: letters, literal: true });
    this.#view.dispatch(setSearchState(this.#view.state.tr, query));
    if (letters === '') return this.found;
    this.selection = { start: from, end: from };
    return this.goTo('next');
  }

  /** Selects the next place, or the one before; round the end to the start. */
  goTo(which: 'next' | 'previous'): Found {
    (which === 'next' ? findNext : findPrev)(this.#view.state, (change) =>
      this.#view.dispatch(change.scrollIntoView()),
    );
    return this.found;
  }

  /** Where finding has come to. */
  get found(): Found {
    const { selection } = this.#view.state;
    const places = getMatchHighlights(this.#view.state).find();
    const nth = places.findIndex(({ from, to }) => from === selection.from && to === selection.to);
    return { nth: nth + 1, of: places.length };
  }

  /** Looks again whether one may write. */
  refresh(): void {
    this.#view.setProps({});
  }

  /** Gives it the keys. */
  focus(): void {
    this.#view.focus();
  }

  /** Takes it down. */
  destroy(): void {
    this.#view.destroy();
  }
}
