/** The keys that write, by position: four rows, as in UI Events `code` values. */
const ROWS = {
  digits: [
    'Backquote',
    'Digit1',
    'Digit2',
    'Digit3',
    'Digit4',
    'Digit5',
    'Digit6',
    'Digit7',
    'Digit8',
    'Digit9',
    'Digit0',
    'Minus',
    'Equal',
  ],
  top: [
    'KeyQ',
    'KeyW',
    'KeyE',
    'KeyR',
    'KeyT',
    'KeyY',
    'KeyU',
    'KeyI',
    'KeyO',
    'KeyP',
    'BracketLeft',
    'BracketRight',
  ],
  home: [
    'KeyA',
    'KeyS',
    'KeyD',
    'KeyF',
    'KeyG',
    'KeyH',
    'KeyJ',
    'KeyK',
    'KeyL',
    'Semicolon',
    'Quote',
    'Backslash',
  ],
  bottom: [
    'IntlBackslash',
    'KeyZ',
    'KeyX',
    'KeyC',
    'KeyV',
    'KeyB',
    'KeyN',
    'KeyM',
    'Comma',
    'Period',
    'Slash',
  ],
} as const;

/** One of the rows of writing keys. */
export type KeyRow = keyof typeof ROWS;

/** All of them, row by row. */
export const WRITING_KEYS: readonly string[] = Object.values(ROWS).flat();

/** Letters of the three rows, the first of which lie one below the other. */
export const LETTERS_A_ROW = 10;

/**
 * Where a key is that writes: its row, and how many it is from the first letter; null for all other keys.
 * @example seatOf('KeyS') // { row: 'home', column: 1 }
 */
export function seatOf(code: string): { readonly row: KeyRow; readonly column: number } | null {
  for (const row of Object.keys(ROWS) as KeyRow[]) {
    const at = (ROWS[row] as readonly string[]).indexOf(code);
    // Left of the first letter, and of the digit one, there is one more key in some rows.
    if (at >= 0) return { row, column: row === 'digits' || row === 'bottom' ? at - 1 : at };
  }
  return null;
}

/** The key at a seat; null where there is none. */
export function codeAt({ row, column }: { readonly row: KeyRow; readonly column: number }): string | null {
  return ROWS[row].find((code) => seatOf(code)?.column === column) ?? null;
}
