/**
 * The positions of keys by the two names that standards give them: UI Events `code` values (W3C, "UI Events KeyboardEvent
 * code Values") and XKB key names (The X Keyboard Extension, protocol 1.0, chapter 5; names as of `xkeyboard-config`).
 */
const row = (codes: string, names: string): [string, string][] => {
  const name = names.split(' ');
  return codes.split(' ').map((code, n) => [code, name[n] ?? '']);
};
const numbered = (prefix: string, from: number, count: number): string =>
  Array.from({ length: count }, (_, n) => prefix + String(from + n).padStart(2, '0')).join(' ');

/** From codes to XKB names. */
export const XKB_NAMES: ReadonlyMap<string, string> = new Map([
  ...row(
    'Backquote Backslash IntlBackslash Space Tab Enter Escape Backspace',
    'TLDE BKSL LSGT SPCE TAB RTRN ESC BKSP',
  ),
  ...row(
    'Digit1 Digit2 Digit3 Digit4 Digit5 Digit6 Digit7 Digit8 Digit9 Digit0 Minus Equal',
    numbered('AE', 1, 12),
  ),
  ...row('KeyQ KeyW KeyE KeyR KeyT KeyY KeyU KeyI KeyO KeyP BracketLeft BracketRight', numbered('AD', 1, 12)),
  ...row('KeyA KeyS KeyD KeyF KeyG KeyH KeyJ KeyK KeyL Semicolon Quote', numbered('AC', 1, 11)),
  ...row('KeyZ KeyX KeyC KeyV KeyB KeyN KeyM Comma Period Slash', numbered('AB', 1, 10)),
  ...row('F1 F2 F3 F4 F5 F6 F7 F8 F9 F10 F11 F12', numbered('FK', 1, 12)),
  ...row(
    'ArrowUp ArrowDown ArrowLeft ArrowRight Home End PageUp PageDown',
    'UP DOWN LEFT RGHT HOME END PGUP PGDN',
  ),
  ...row('Insert Delete', 'INS DELE'),
  ...row('ShiftLeft ShiftRight ControlLeft ControlRight', 'LFSH RTSH LCTL RCTL'),
  ...row('AltLeft AltRight MetaLeft MetaRight CapsLock', 'LALT RALT LWIN RWIN CAPS'),
]);

/** Keys whose UI Events `key` value is the name of their position. */
const NAMED = /^(F\d+|Arrow\w+|Home|End|Page\w+|Insert|Delete|Tab|Enter|Escape|Backspace|CapsLock)$/;
const MODIFIER = /^(Shift|Control|Alt|Meta)(Left|Right)$/;

/**
 * The UI Events `key` value of a key.
 * @param keysym what it writes on this layout; 0 for nothing
 */
export function keyValue(code: string, keysym: number): string {
  const modifier = MODIFIER.exec(code)?.[1];
  if (modifier !== undefined) return modifier;
  if (code === 'Space') return ' ';
  return NAMED.test(code) ? code : (letterOf(keysym) ?? 'Unidentified');
}

/** Keysyms of ISO 8859-1 are its own codes; those with the bit for Unicode carry the code point (X11 protocol, appendix A). */
function letterOf(keysym: number): string | null {
  if ((keysym >= 0x20 && keysym <= 0x7e) || (keysym >= 0xa0 && keysym <= 0xff))
    return String.fromCodePoint(keysym);
  if (keysym >= 0x0100_0100 && keysym <= 0x0110_ffff) return String.fromCodePoint(keysym - 0x0100_0000);
  return null;
}
