/** Who uses a combination already, and which ones nobody uses. */
import type { Invocation } from '../actions/action';
import type { KeyMap } from '../actions/views/key-map';
import { chordText, sameChord, type Chord } from '../keys/chord';
import { effortOf } from '../keys/effort';
import { arrives, pressedAs, takenByDesktop, type Site } from '../keys/reach';
import { WRITING_KEYS } from '../keys/writing-keys';
import type { UsableHoldKey } from '../slices/settings/state';

/** Somebody who uses a combination. */
export type User =
  /** Key Fold itself, or a shortcut. */
  | { readonly by: 'key-fold'; readonly invocation: Invocation }
  | { readonly by: 'program'; readonly program: string; readonly what: string }
  /** It does not reach the page in this kind of browser window. */
  | { readonly by: 'browser'; readonly onlyHere: boolean }
  | { readonly by: 'desktop'; readonly what: string }
  /** The reach check of this browser never saw it arrive. */
  | { readonly by: 'this-machine' };

/** A key that a program takes while one of its windows is in front. */
export interface ProgramKey {
  readonly program: string;
  readonly chord: Chord;
  readonly what: string;
}

/** All that tells who uses what. */
export interface Surroundings {
  readonly keys: KeyMap;
  readonly holdKey: UsableHoldKey;
  readonly programs: readonly ProgramKey[];
  /** Null where nothing was measured. */
  readonly site: Site | null;
  /** Combinations that did not arrive at the last reach check here, by `chordText`. */
  readonly missed: ReadonlySet<string>;
}

/** Who uses a combination; `but`: what it is to be changed for. */
export function usersOf(chord: Chord, around: Surroundings, but: Invocation | null = null): User[] {
  const { holdKey, keys, missed, programs, site } = around;
  const bound = keys.at(chord.hold ? ['held'] : ['anywhere'], { ...chord, key: chord.code });
  const own =
    bound && !(but && bound.invocation.action === but.action && bound.invocation.argument === but.argument);
  const pressed = pressedAs(chord, holdKey);
  const desktop = takenByDesktop(chord, holdKey);
  return [
    ...(own ? [{ by: 'key-fold', invocation: bound.invocation } as const] : []),
    ...programs
      .filter((one) => sameChord(one.chord, pressed))
      .map(({ program, what }) => ({ by: 'program', program, what }) as const),
    ...(site && arrives(chord, holdKey, site) === false
      ? [{ by: 'browser', onlyHere: arrives(chord, holdKey, 'chromium-window') === true } as const]
      : []),
    ...(desktop ? [{ by: 'desktop', what: desktop } as const] : []),
    ...(missed.has(chordText(pressed)) ? [{ by: 'this-machine' } as const] : []),
  ];
}

/** The function keys that keyboards have. */
const FUNCTION_KEYS = Array.from({ length: 12 }, (_, n) => `F${n + 1}`);
/** The key left of Z is not on every keyboard. */
const EVERYWHERE = WRITING_KEYS.filter((code) => code !== 'IntlBackslash');
const LAYERS: readonly Omit<Chord, 'code'>[] = [
  { hold: true, shift: false, modifiers: [] },
  { hold: true, shift: true, modifiers: [] },
  { hold: false, shift: true, modifiers: ['Control'] },
  { hold: false, shift: false, modifiers: [] },
];
/** Every combination that can be offered, nearest to the resting hand first. */
const OFFERED: readonly Chord[] = LAYERS.flatMap((layer) => {
  const alone = !layer.hold && layer.modifiers.length === 0;
  return (alone ? FUNCTION_KEYS : [...EVERYWHERE, ...FUNCTION_KEYS]).map((code) => ({ ...layer, code }));
}).toSorted((a, b) => effortOf(a) - effortOf(b) || (chordText(a) < chordText(b) ? -1 : 1));

/** Combinations that nobody uses, nearest to the resting hand first. */
export const freeChords = (around: Surroundings, most: number): Chord[] =>
  OFFERED.filter((chord) => usersOf(chord, around).length === 0).slice(0, most);
