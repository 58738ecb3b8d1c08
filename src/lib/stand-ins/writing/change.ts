/** Putting other letters in the place of those from `from` up to `to`, counted from 0. */
export interface Change {
  readonly from: number;
  readonly to: number;
  readonly put: string;
}

/** A text with its lines ended by `\n`, as editors have it. */
export const withPlainLineEnds = (text: string): string => text.replaceAll(/\r\n?/g, '\n');

/**
 * The one change that makes one text of another, as short as it can be; null where they are the same.
 * @example changeBetween('the sea', 'the wide sea') // { from: 4, to: 4, put: 'wide ' }
 */
export function changeBetween(before: string, after: string): Change | null {
  if (before === after) return null;
  const shorter = Math.min(before.length, after.length);
  let from = 0;
  while (from < shorter && before[from] === after[from]) from += 1;
  let alike = 0;
  // What is the same at the start and at the end may overlap: `aa` became `a`.
  while (alike < shorter - from && before.at(-1 - alike) === after.at(-1 - alike)) alike += 1;
  return { from, to: before.length - alike, put: after.slice(from, after.length - alike) };
}
