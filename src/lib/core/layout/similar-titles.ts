/** A title split into the beginning that it shares with a neighbour and the rest, which tells it apart. */
export interface SplitTitle {
  readonly shared: string;
  readonly own: string;
}

/** Shorter shared beginnings are not worth folding. */
const LEAST_SHARED = 10;
/** Stands for what was folded away. */
const FOLD = '… ';

/**
 * Splits titles so that the part that differs can be shown in full: each is compared with the one that it shares
 * the longest beginning with, cut back to a whole word. Titles that are equal keep their whole text as their own.
 */
export function splitTitles(titles: readonly string[]): SplitTitle[] {
  const sorted = [...new Set(titles)].sort();
  const shared = new Map<string, number>();
  for (const [index, title] of sorted.entries()) {
    const next = sorted[index + 1];
    if (next === undefined) continue;
    const length = sharedWords(title, next);
    // In sorted order the longest shared beginning is always with a neighbour.
    shared.set(title, Math.max(shared.get(title) ?? 0, length));
    shared.set(next, length);
  }
  return titles.map((title) => {
    const length = shared.get(title) ?? 0;
    return length < LEAST_SHARED
      ? { shared: '', own: title }
      : { shared: title.slice(0, length), own: title.slice(length) };
  });
}

/** The length of the longest common beginning that ends at a word's end in both and leaves something over. */
function sharedWords(a: string, b: string): number {
  let length = 0;
  while (length < Math.min(a.length, b.length) && a[length] === b[length]) length += 1;
  return a.lastIndexOf(' ', Math.min(length, a.length - 1, b.length - 1)) + 1;
}

/** A shared beginning folded to its last whole words, at most `letters` of them with the mark that shows the fold. */
export function folded(shared: string, letters: number): string {
  const whole = shared.trimEnd();
  if (whole.length <= letters) return whole;
  const end = whole.slice(-(letters - FOLD.length));
  const start = end.indexOf(' ') + 1;
  return FOLD + end.slice(start);
}
