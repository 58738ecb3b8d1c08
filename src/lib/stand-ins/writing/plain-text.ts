/** Plain text as an editor has it: a paragraph a line, and places in it as the editor counts them. */
import { Fragment, Schema, Slice, type Node } from 'prosemirror-model';
import { withPlainLineEnds } from './change';

/** Paragraphs of letters, and nothing else: what is written stays plain text. */
export const SCHEMA = new Schema({
  nodes: {
    doc: { content: 'paragraph+' },
    paragraph: { content: 'text*', toDOM: () => ['p', 0], parseDOM: [{ tag: 'p' }, { tag: 'div' }] },
    text: {},
  },
});

const paragraphs = (text: string): Node[] =>
  withPlainLineEnds(text)
    .split('\n')
    .map((line) => SCHEMA.node('paragraph', null, line === '' ? [] : [SCHEMA.text(line)]));

/** The document of a text. */
export const docOf = (text: string): Node => SCHEMA.node('doc', null, paragraphs(text));

/** The text of a document. `textOf(docOf(text))` is the text, with its lines ended by `\n`. */
export const textOf = (doc: Node): string => linesOf(doc.content);

/** How many letters the text of a document has, without making it. */
export const lengthOf = (doc: Node): number => doc.content.size - doc.childCount - 1;

/** The text of a part of a document, as it is copied. */
export const copied = (slice: Slice): string => linesOf(slice.content);

const linesOf = (content: Fragment): string =>
  Array.from({ length: content.childCount }, (_, n) => content.child(n).textContent).join('\n');

/** What a text becomes where it is pasted: its first and last line go on with what is there. */
export const pasted = (text: string): Slice =>
  text === '' ? Slice.empty : new Slice(Fragment.from(paragraphs(text)), 1, 1);

/** The editor's place of a letter counted from 0; of one behind the end, the end. */
export function placeOf(doc: Node, letter: number): number {
  let left = letter;
  let place = 1;
  for (let n = 0; n < doc.childCount; n += 1) {
    const { size } = doc.child(n).content;
    if (left <= size) return place + left;
    left -= size + 1;
    place += size + 2;
  }
  return Math.max(1, doc.content.size - 1);
}

/** Which letter, counted from 0, is at a place of the editor. */
export const letterAt = (doc: Node, place: number): number =>
  doc.textBetween(0, Math.min(place, doc.content.size), '\n').length;
