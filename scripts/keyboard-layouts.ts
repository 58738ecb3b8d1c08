/**
 * Makes `src/lib/keyboards/layouts.json` anew: what is printed on the keys of each layout of xkb-data (X.Org, MIT
 * licence), the database that desktops on Linux use. Needs Debian's packages xkb-data and libxkbcommon-tools.
 */
import { execFileSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import keysyms from 'x11/lib/keysyms.js';
import { WRITING_KEYS } from '../src/lib/core/keys/writing-keys';
import { ROOT } from './lib/paths.mjs';

const RULES = '/usr/share/X11/xkb/rules/evdev.lst';
/** Made for one maker's machines, kept for old times' sake, or for people to fill in. */
const LEFT_OUT = /mac|windows|thinkpad|ibm|legacy|user-defined|olpc|\bdos\b/i;

/** The XKB names of the keys: the row from below, and how many it is from the left. */
const XKB_NAMES: Readonly<Record<string, string>> = {
  Backquote: 'TLDE',
  Backslash: 'BKSL',
  IntlBackslash: 'LSGT',
  ...named('AE', 'Digit1 Digit2 Digit3 Digit4 Digit5 Digit6 Digit7 Digit8 Digit9 Digit0 Minus Equal'),
  ...named('AD', 'KeyQ KeyW KeyE KeyR KeyT KeyY KeyU KeyI KeyO KeyP BracketLeft BracketRight'),
  ...named('AC', 'KeyA KeyS KeyD KeyF KeyG KeyH KeyJ KeyK KeyL Semicolon Quote'),
  ...named('AB', 'KeyZ KeyX KeyC KeyV KeyB KeyN KeyM Comma Period Slash'),
};

/** What is printed on a key that waits for the next one. */
const DEAD: Readonly<Record<string, string>> = {
  abovedot: '˙',
  abovering: '˚',
  acute: '´',
  belowdot: '.',
  breve: '˘',
  caron: 'ˇ',
  cedilla: '¸',
  circumflex: '^',
  diaeresis: '¨',
  doubleacute: '˝',
  grave: '`',
  hook: '̉',
  horn: '̛',
  iota: 'ͺ',
  macron: '¯',
  ogonek: '˛',
  stroke: '/',
  tilde: '~',
};
const NOTHING = ' ';

const layouts = [];
const taken = new Set<string>();
for (const { layout, variant, title } of listed().filter(({ title }) => !LEFT_OUT.test(title))) {
  const keys = printed(layout, variant);
  // Variants often differ only in what Shift and AltGr write.
  if ((variant !== '' && taken.has(keys)) || letters(keys) < 20) continue;
  taken.add(keys);
  layouts.push({ name: variant === '' ? layout : `${layout}(${variant})`, title, keys });
}
layouts.sort((a, b) => a.title.localeCompare(b.title, 'en'));
const file = join(ROOT, 'src/lib/keyboards/layouts.json');
writeFileSync(file, JSON.stringify({ codes: WRITING_KEYS, layouts }));
execFileSync('npx', ['prettier', '--write', file], { cwd: ROOT, stdio: 'inherit' });
console.log(`${layouts.length} layouts`);

/** Layouts and their variants, in the order of the rules file, each layout before its variants. */
function listed(): { layout: string; variant: string; title: string }[] {
  const rules = readFileSync(RULES, 'utf8').replaceAll('&lt;', '<').replaceAll('&gt;', '>');
  const section = (name: string) =>
    (new RegExp(`^! ${name}\\n([^!]*)`, 'm').exec(rules)?.[1] ?? '').split('\n').flatMap((line) => {
      const [, id, rest] = /^\s+(\S+)\s+(.*)$/.exec(line) ?? [];
      return id && rest ? [{ id, rest }] : [];
    });
  const plain = section('layout').map(({ id, rest }) => ({ layout: id, variant: '', title: rest }));
  const variants = section('variant').flatMap(({ id, rest }) => {
    const [, layout, title] = /^(\S+): (.*)$/.exec(rest) ?? [];
    return layout && title ? [{ layout, variant: id, title }] : [];
  });
  return [...plain, ...variants];
}

/** What the keys write without Shift, one letter a key, in the order of `WRITING_KEYS`. */
function printed(layout: string, variant: string): string {
  const keymap = execFileSync(
    'xkbcli',
    ['compile-keymap', '--layout', layout, ...(variant === '' ? [] : ['--variant', variant])],
    { encoding: 'utf8', maxBuffer: 1 << 24, stdio: ['ignore', 'pipe', 'ignore'] },
  );
  const first = new Map<string, string>();
  for (const [, key = '', symbols = ''] of keymap.matchAll(/key <(\w+)>\s*\{([^}]*)\}/g)) {
    const [, symbol = ''] = /\[\s*(\w+)\s*[,\]]/.exec(symbols.replace(/\w+\[\w+\]/g, '')) ?? [];
    first.set(key, symbol);
  }
  return WRITING_KEYS.map((code) => written(first.get(XKB_NAMES[code] ?? '') ?? '')).join('');
}

/** The letter of a keysym by its name. */
function written(symbol: string): string {
  const [, point] = /^U([0-9A-F]{4,6})$/i.exec(symbol) ?? [];
  if (point) return one(String.fromCodePoint(parseInt(point, 16)));
  if (symbol.startsWith('dead_')) return one(DEAD[symbol.slice('dead_'.length)] ?? NOTHING);
  return one(/^\((.)\)/u.exec(keysyms[`XK_${symbol}`]?.description ?? '')?.[1] ?? NOTHING);
}

function one(letter: string): string {
  return /^[\p{L}\p{N}\p{P}\p{S}]$/u.test(letter) ? letter : NOTHING;
}

function letters(keys: string): number {
  return [...keys].filter((letter) => /\p{L}/u.test(letter)).length;
}

function named(row: string, codes: string): Record<string, string> {
  return Object.fromEntries(
    codes.split(' ').map((code, at) => [code, `${row}${String(at + 1).padStart(2, '0')}`]),
  );
}
