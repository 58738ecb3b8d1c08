import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { EditorState, TextSelection } from 'prosemirror-state';
import { changeBetween } from './change';
import { copied, docOf, lengthOf, letterAt, pasted, placeOf, textOf } from './plain-text';

const text = fc
  .array(fc.constantFrom('a', 'b', ' ', '\n', 'é'), { maxLength: 12 })
  .map((all) => all.join(''));

describe('plain text in the editor', () => {
  it('comes out as it went in', () => {
    fc.assert(
      fc.property(text, (written) => {
        expect(textOf(docOf(written))).toBe(written);
        expect(lengthOf(docOf(written))).toBe(written.length);
      }),
    );
    expect(textOf(docOf('one\r\ntwo\rthree'))).toBe('one\ntwo\nthree');
  });

  it('has each letter at one place, and back', () => {
    fc.assert(
      fc.property(text, (written) => {
        const doc = docOf(written);
        for (let letter = 0; letter <= written.length; letter += 1)
          expect(letterAt(doc, placeOf(doc, letter))).toBe(letter);
        expect(letterAt(doc, placeOf(doc, written.length + 5))).toBe(written.length);
      }),
    );
  });

  it('becomes another text by what differs alone', () => {
    fc.assert(
      fc.property(text, text, (before, after) => {
        const doc = docOf(before);
        const change = changeBetween(before, after);
        const { tr } = EditorState.create({ doc });
        if (change) tr.replace(placeOf(doc, change.from), placeOf(doc, change.to), pasted(change.put));
        expect(textOf(tr.doc)).toBe(after);
      }),
    );
  });

  it('keeps its lines when it is copied and pasted, with those around going on', () => {
    const doc = docOf('one\n\ntwo');
    expect(copied(doc.slice(2, doc.content.size - 1))).toBe('ne\n\ntwo');
    const state = EditorState.create({ doc: docOf('ab'), selection: TextSelection.create(docOf('ab'), 2) });
    expect(textOf(state.tr.replaceSelection(pasted('x\n\ny')).doc)).toBe('ax\n\nyb');
  });
});
