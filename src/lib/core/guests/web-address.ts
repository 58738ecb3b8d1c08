/** Addresses of web pages: what may be opened, and what may not. */

/** Longer addresses are not taken, in UTF-16 code units. */
export const LONGEST_ADDRESS = 2_000;

/** An address, or what is wrong with it. */
export type WebAddress = { readonly url: URL } | { readonly problem: string };

/**
 * Reads a web address. Only http and https open pages; a name and a password in an address are given away with it
 * (RFC 3986, 3.2.1 deprecates them), so they are refused.
 * @example webAddress('javascript:alert(1)') // { problem: 'Only http and https addresses can be opened, not “javascript:”.' }
 */
export function webAddress(text: string, base?: URL): WebAddress {
  const trimmed = text.trim();
  if (trimmed === '') return { problem: 'Type the address of the page.' };
  if (trimmed.length > LONGEST_ADDRESS)
    return { problem: `The address is longer than ${LONGEST_ADDRESS} characters.` };
  if (!URL.canParse(trimmed, base?.href))
    return { problem: 'This is no web address. It begins with http:// or https://.' };
  const url = new URL(trimmed, base?.href);
  if (url.protocol !== 'http:' && url.protocol !== 'https:')
    return { problem: `Only http and https addresses can be opened, not “${url.protocol}”.` };
  if (url.username !== '' || url.password !== '')
    return {
      problem: 'The address has a name or a password in it. Leave them out: the page asks for them itself.',
    };
  return { url };
}
