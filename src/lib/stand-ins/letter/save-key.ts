/** What is needed of a key event. */
type Pressed = Pick<KeyboardEvent, 'key' | 'code' | 'ctrlKey' | 'metaKey' | 'altKey'>;

/**
 * Whether a key saves: Control or Meta with the key that writes an s, wherever the layout has it, as browsers and
 * desktops do it (common practice); on a layout without Latin letters, with the key where most keyboards have it.
 */
export function isSaveKey({ key, code, ctrlKey, metaKey, altKey }: Pressed): boolean {
  if (!(ctrlKey || metaKey) || altKey) return false;
  const latin = /^\p{Script=Latin}$/u.test(key);
  return latin ? key.toLowerCase() === 's' : code === 'KeyS' && /^\p{L}$/u.test(key);
}
