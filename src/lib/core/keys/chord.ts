/** A combination of keys as it is kept: by position, and apart from which key the hold key is. */

/** Modifiers besides Shift, in the order in which they are told. */
export const MODIFIERS = ['Control', 'Alt', 'Meta'] as const;
/** One of them. */
export type ChordModifier = (typeof MODIFIERS)[number];

/** A combination of keys. */
export interface Chord {
  /** The position, as in the UI Events `code` values. */
  readonly code: string;
  readonly shift: boolean;
  /** With the hold key, whichever that is; then there are no modifiers. */
  readonly hold: boolean;
  readonly modifiers: readonly ChordModifier[];
}

/** Whether two are the same combination. */
export const sameChord = (a: Chord, b: Chord): boolean => chordText(a) === chordText(b);

/**
 * A combination in one line, which no other one has.
 * @example chordText({ code: 'KeyL', shift: true, hold: true, modifiers: [] }) // 'hold+Shift+KeyL'
 */
export const chordText = ({ code, shift, hold, modifiers }: Chord): string =>
  [
    ...(hold ? ['hold'] : []),
    ...MODIFIERS.filter((modifier) => modifiers.includes(modifier)),
    ...(shift ? ['Shift'] : []),
    code,
  ].join('+');
