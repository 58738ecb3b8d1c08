const ESCAPE = 0x1b;

/**
 * Compound Text (X Consortium Standard, "Compound Text Encoding" 1.1) as titles have it: ISO 8859-1 where nothing else is
 * said, and UTF-8 between the escape sequences for it (ISO/IEC 2022: ESC % G and ESC % @). Of other sets the escape
 * sequences are left out and their bytes are read as ISO 8859-1.
 */
export function compoundText(bytes: Buffer): string {
  let text = '';
  let utf8 = false;
  for (let at = 0; at < bytes.length;) {
    const next = bytes.indexOf(ESCAPE, at);
    const end = next < 0 ? bytes.length : next;
    text += bytes.subarray(at, end).toString(utf8 ? 'utf8' : 'latin1');
    if (next < 0) break;
    const [sequence, after] = escapeAt(bytes, end);
    if (sequence === '%G') utf8 = true;
    if (sequence === '%@') utf8 = false;
    at = after;
  }
  return text;
}

/** An escape sequence is an escape, intermediate bytes (2/0 to 2/15), and a final one; and where it ends. */
function escapeAt(bytes: Buffer, at: number): [sequence: string, end: number] {
  let end = at + 1;
  while (end < bytes.length && (bytes[end] ?? 0) >= 0x20 && (bytes[end] ?? 0) <= 0x2f) end += 1;
  return [bytes.subarray(at + 1, end + 1).toString('latin1'), end + 1];
}
