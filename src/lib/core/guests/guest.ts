/** Applications that people add, as what they are made of. */
import { LONGEST_ID } from '../model/limits';
import type { GuestKind } from '../slices/setup/state';
import { desktopEntry } from './desktop-entry';
import { pageFrom } from './page';

/** What is wrong with the text of a guest's home document; null if nothing is. */
export function guestProblem(kind: GuestKind, text: string): string | null {
  const read = kind === 'page' ? pageFrom(text) : desktopEntry(text);
  return 'problem' in read ? read.problem : null;
}

/**
 * An id for an application with this name that nothing has yet.
 * @param taken whether an id is used already
 * @example guestId('Notice Board', () => false) // 'notice-board'
 */
export function guestId(name: string, taken: (id: string) => boolean): string {
  const words =
    name
      .normalize('NFKD')
      .toLowerCase()
      .match(/[a-z0-9]+/g) ?? [];
  const base = (/^[a-z]/.test(words[0] ?? '') ? words : ['page', ...words])
    .join('-')
    .slice(0, LONGEST_ID - 5);
  for (let nth = 1; ; nth += 1) {
    const id = nth === 1 ? base : `${base}-${nth}`;
    if (id !== 'constructor' && !taken(id)) return id;
  }
}

/**
 * Two letters that stand for a name: those of its first two words, or its first two.
 * @example monogramFor('Notice Board') // 'NB'
 */
export function monogramFor(name: string): string {
  const words = name.match(/[\p{L}\p{N}]+/gu) ?? [];
  const [first = '', second] = words;
  const letters = second === undefined ? [...first].slice(0, 2) : [[...first][0], [...second][0]];
  const capitals = letters
    .map((letter, nth) => (nth === 0 || second !== undefined ? letter?.toUpperCase() : letter))
    .join('');
  return [...`${capitals}··`].slice(0, 2).join('');
}
