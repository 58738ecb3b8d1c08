/** What a text to read is divided into: sections that begin with a number of their own, as byelaws do. */

/** A paragraph, and the section that begins with it. */
export interface Paragraph {
  readonly text: string;
  /** Its number, e.g. `§ 12`; null for a paragraph that goes on with the one before. */
  readonly number: string | null;
}

/** The paragraphs of a text: blank lines lie between. */
export const paragraphsOf = (text: string): Paragraph[] =>
  text
    .split(/\n\s*\n/u)
    .map((paragraph) => paragraph.trim())
    .filter(Boolean)
    .map((paragraph) => ({ text: paragraph, number: /^§\s*\d+[a-z]?/u.exec(paragraph)?.[0] ?? null }));

/** How many words of a section the contents show. */
const WORDS = 6;

/** A line of the contents: which paragraph, counted from 0, and how it begins. */
export interface Entry {
  readonly paragraph: number;
  readonly number: string;
  readonly begins: string;
}

/** The contents of a text; empty where it has no two sections. */
export function contentsOf(paragraphs: readonly Paragraph[]): Entry[] {
  const entries = paragraphs.flatMap(({ text, number }, paragraph) => {
    if (number === null) return [];
    const words = text.slice(number.length).trim().split(/\s+/u);
    const begins = words.slice(0, WORDS).join(' ');
    return [{ paragraph, number, begins: words.length > WORDS ? `${begins} …` : begins }];
  });
  return entries.length > 1 ? entries : [];
}
