/** What is printed on keyboards: the layouts of xkb-data 2.35.1 (X.Org, MIT licence), by `scripts/keyboard-layouts.ts`. */
import type { Layout } from '../core/keys/labels';
import data from './layouts.json';

/** All of them, by title. */
export const LAYOUTS: readonly Layout[] = data.layouts.map(({ name, title, keys }) => {
  const letters = [...keys];
  const written = data.codes.flatMap((code, at) => {
    const letter = letters[at];
    return letter === undefined || letter === ' ' ? [] : [[code, letter] as const];
  });
  return { name, title, written: Object.fromEntries(written) };
});
