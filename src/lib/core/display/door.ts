/**
 * A page that leads to an address and holds nothing else. An address that carries a secret is opened by a file that its owner
 * alone can read: what a program is started with, everybody on the machine can see.
 */
export const doorTo = (address: string): string =>
  `<!doctype html><meta charset="utf-8"><title>Key Fold</title><script>location.replace(${quoted(address)})</script>\n`;

/** A string of a script, also where it has what would end the script. */
const quoted = (text: string): string => JSON.stringify(text).replaceAll('<', '\\u003c');
