/** What is needed of a key event. */
type Pressed = Pick<KeyboardEvent, 'key' | 'code' | 'ctrlKey' | 'metaKey' | 'altKey'>;

/**
 * Whether a key is Control or Meta with the one that writes a letter, wherever the layout has it, as browsers and
 * desktops do it (common practice); on a layout without Latin letters, with the key where most keyboards have it.
 * @example isCommandKey(event, 's') // saves
 */
export function isCommandKey({ key, code, ctrlKey, metaKey, altKey }: Pressed, letter: string): boolean {
  if (!(ctrlKey || metaKey) || altKey) return false;
  const latin = /^\p{Script=Latin}$/u.test(key);
  if (latin) return key.toLowerCase() === letter;
  return code === `Key${letter.toUpperCase()}` && /^\p{L}$/u.test(key);
}
