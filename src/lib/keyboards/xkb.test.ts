/**
 * The labels of ten layouts beside Debian's package xkb-data, read from its symbols by another way than the table was made
 * (that was compiled by libxkbcommon): the files themselves, with what they include.
 */
import { existsSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import keysyms from 'x11/lib/keysyms.js';
import { LAYOUTS } from './layouts';

const SYMBOLS = '/usr/share/X11/xkb/symbols';

/** The three rows of letters and the key above Tab, by their XKB names (X Keyboard Extension, "Keyboard Geometry"). */
const KEYS: Readonly<Record<string, string>> = {
  Backquote: 'TLDE',
  ...row('AD', ['KeyQ', 'KeyW', 'KeyE', 'KeyR', 'KeyT', 'KeyY', 'KeyU', 'KeyI', 'KeyO', 'KeyP']),
  ...row('AC', ['KeyA', 'KeyS', 'KeyD', 'KeyF', 'KeyG', 'KeyH', 'KeyJ', 'KeyK', 'KeyL', 'Semicolon']),
  ...row('AB', ['KeyZ', 'KeyX', 'KeyC', 'KeyV', 'KeyB', 'KeyN', 'KeyM', 'Comma', 'Period', 'Slash']),
};

function row(name: string, codes: readonly string[]): Record<string, string> {
  return Object.fromEntries(codes.map((code, n) => [code, `${name}${String(n + 1).padStart(2, '0')}`]));
}

/** The first symbol of every key of a layout, e.g. `fr` or `us(dvorak)`. */
function symbolsOf(layout: string): Map<string, string> {
  const [, file = '', variant] = /^(\w+)(?:\(([\w-]+)\))?/.exec(layout) ?? [];
  const text = readFileSync(`${SYMBOLS}/${file}`, 'utf8').replaceAll(/\/\/.*$/gm, '');
  const blocks = [...text.matchAll(/((?:\w+\s+)*)xkb_symbols\s+"([\w-]+)"\s*\{(.*?)^\};/gms)];
  const block =
    blocks.find(([, flags, name]) => (variant ? name === variant : flags?.includes('default'))) ?? blocks[0];
  const found = new Map<string, string>();
  for (const [, included, key, symbols = ''] of (block?.[3] ?? '').matchAll(
    /include\s+"([^"]+)"|key\s*<(\w+)>\s*\{([^}]*)\}/g,
  ))
    if (included) for (const [name, symbol] of symbolsOf(included)) found.set(name, symbol);
    else if (key) {
      const [, first] = /\[\s*(\w+)\s*[,\]]/.exec(symbols.replaceAll(/\w+\[\w+\]\s*=/g, '')) ?? [];
      if (first && first !== 'NoSymbol') found.set(key, first);
    }
  return found;
}

/** What a symbol writes; null for those that wait for another key. */
function letterOf(symbol: string): string | null {
  const [, point] = /^U([0-9A-Fa-f]{4,6})$/.exec(symbol) ?? [];
  if (point) return String.fromCodePoint(parseInt(point, 16));
  return /^\((.)\)/u.exec(keysyms[`XK_${symbol}`]?.description ?? '')?.[1] ?? null;
}

describe.skipIf(!existsSync(SYMBOLS))('the labels of three rows and of the key above Tab', () => {
  it.each(['us', 'gb', 'fr', 'de', 'es', 'it', 'se', 'ru', 'gr', 'us(dvorak)'])(
    'are those of xkb-data for %s',
    (name) => {
      const symbols = symbolsOf(name);
      const layout = LAYOUTS.find((one) => one.name === name);
      let compared = 0;
      for (const [code, key] of Object.entries(KEYS)) {
        const letter = letterOf(symbols.get(key) ?? '');
        if (letter === null) continue;
        expect(`${code} ${layout?.written[code] ?? 'nothing'}`).toBe(`${code} ${letter}`);
        compared += 1;
      }
      expect(compared).toBeGreaterThanOrEqual(28);
    },
  );
});
