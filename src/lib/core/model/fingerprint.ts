/** A text's FNV-1a hash of 32 bits (RFC 9923), over its UTF-16 code units. */
export function fingerprint(text: string): number {
  let hash = 0x811c9dc5;
  for (let at = 0; at < text.length; at += 1) hash = Math.imul(hash ^ text.charCodeAt(at), 0x01000193);
  return hash >>> 0;
}
