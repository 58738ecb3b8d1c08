/**
 * Letters as people type them: a stated model, in 22 kinds. Of slips the literature says (all figures from memory):
 *
 * - Damerau 1964: about 80 % of misspellings are one omission, insertion, substitution or transposition.
 * - Pollock and Zamora 1984: 90 to 95 % are single ones; omission 34 %, insertion 27 %, substitution 19 %, transposition
 *   12.5 %; few (under 8 %) in the first letter. Yannakoudakis and Fawthrop 1983: 1.4 % in the first letter.
 * - Grudin 1983: about 58 % of typists' substitutions hit a neighbouring key. Kukich 1992 surveys all of these.
 *
 * Here a slip is an omission 34, a doubled or a neighbouring letter struck as well 27, a neighbouring key 19, a swap 12.5;
 * never in the first letter, which is a kind of its own. How often each kind is typed (`share`) is our assumption: nothing
 * is published about it.
 */
import type { Random } from '../random';
import type { Item } from './entries';

/** An item with its words as the model sees them, by folding and tables of its own. */
export interface Wording {
  readonly item: Item;
  /** The words of the title, in plain letters, and as they are written. */
  readonly words: readonly string[];
  readonly native: readonly string[];
  /** The words of title and detail. */
  readonly all: readonly string[];
  readonly initials: string;
  readonly joined: string;
}

/** What was typed for a target, and whether something else is explained by it as the target is. */
export interface Query {
  readonly kind: string;
  readonly text: string;
  readonly target: Item;
  readonly fits: (other: Wording) => boolean;
}

const SPECIAL: Readonly<Record<string, string>> = {
  ...{ ß: 'ss', ø: 'o', æ: 'ae', œ: 'oe', ł: 'l', đ: 'd', ı: 'i', ð: 'd', þ: 'th' },
  ς: 'σ',
};
/** A text in small plain letters. */
export const plain = (text: string): string =>
  text
    .toLowerCase()
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .replace(/./gu, (letter) => SPECIAL[letter] ?? letter);

/** Greek by ISO 843 (romanised letter by letter), Cyrillic as English writes it (BGN/PCGN 1947); from memory. */
const IN_LATIN = new Map(
  'α a,β v,γ g,δ d,ε e,ζ z,η i,θ th,ι i,κ k,λ l,μ m,ν n,ξ x,ο o,π p,ρ r,σ s,τ t,υ y,φ f,χ ch,ψ ps,ω o,а a,б b,в v,г g,д d,е e,ж zh,з z,и i,к k,л l,м m,н n,о o,п p,р r,с s,т t,у u,ф f,х kh,ц ts,ч ch,ш sh,щ shch,ъ ,ы y,ь ,э e,ю yu,я ya'
    .split(',')
    .map((pair) => pair.split(' ') as [string, string]),
);
const inLatin = (word: string) => [...word].map((letter) => IN_LATIN.get(letter) ?? letter).join('');

const split = (text: string): readonly string[] => text.match(/[\p{L}\p{M}\p{N}]+/gu) ?? [];

/** The words of an item. */
export function wordingOf(item: Item): Wording {
  const words = split(item.title).map(plain);
  const all = [...words, ...split(item.detail).map(plain)];
  return {
    item,
    words,
    native: split(item.title.toLowerCase()),
    all,
    initials: words.map(([first]) => first).join(''),
    joined: all.join(''),
  };
}

/** The keys around each letter, by the rows of a keyboard. */
export function keysAround(rows: readonly string[]): ReadonlyMap<string, string> {
  const around = new Map<string, string>();
  rows.forEach((row, y) =>
    [...row].forEach((key, x) => {
      const [above, below] = [rows[y - 1], rows[y + 1]];
      const keys = [row[x - 1], row[x + 1], above?.[x], above?.[x + 1], below?.[x], below?.[x - 1]];
      around.set(key, keys.filter(Boolean).join(''));
    }),
  );
  return around;
}
/** Two keyboards on which y and z lie the other way round. */
export const KEYBOARDS = {
  qwerty: ['qwertyuiop', 'asdfghjkl', 'zxcvbnm'],
  qwertz: ['qwertzuiop', 'asdfghjkl', 'yxcvbnm'],
} as const;
const AROUND = { qwerty: keysAround(KEYBOARDS.qwerty), qwertz: keysAround(KEYBOARDS.qwertz) };

type Slip = 'omit' | 'double' | 'extra' | 'near qwerty' | 'near qwertz' | 'swap';
const SLIPS: readonly (readonly [Slip, number])[] = [
  ['omit', 34],
  ['double', 14],
  ['extra', 13],
  ['near qwerty', 10],
  ['near qwertz', 9],
  ['swap', 12.5],
];

/** Letters with one slip, at a place from `from` on. */
export function slipped(random: Random, letters: string, slip: Slip, from = 1): string {
  const at = from + random.below(letters.length - from);
  const [before, letter, after] = [letters.slice(0, at), letters.charAt(at), letters.slice(at + 1)];
  const around = AROUND[slip === 'near qwertz' ? 'qwertz' : 'qwerty'].get(letter) ?? '';
  switch (slip) {
    case 'omit':
      return before + after;
    case 'double':
      return before + letter + letter + after;
    case 'extra':
      return before + letter + random.one([...(around || 'e')]) + after;
    case 'swap':
      return after === ''
        ? before.slice(0, -1) + letter + before.slice(-1)
        : before + after.charAt(0) + letter + after.slice(1);
    case 'near qwerty':
    case 'near qwertz':
      return around === '' ? letters : before + random.one([...around]) + after;
  }
}

const LATIN = /^[a-z]+$/;
const FOREIGN = /[^\p{ASCII}]/u;

const starts = (other: Wording, part: string) => other.all.some((word) => word.startsWith(part));
const startAll = (parts: readonly string[]) => (other: Wording) => parts.every((part) => starts(other, part));
const consonantsOf = (word: string) => word.charAt(0) + word.slice(1).replace(/[aeiouy]/g, '');

/** The start of a word: mostly three or four letters. */
function startOf(random: Random, word: string): string {
  const length = random.weighted([
    [2, 10],
    [3, 30],
    [4, 30],
    [5, 20],
    [6, 10],
  ]);
  return word.slice(0, length);
}

type Made = Pick<Query, 'text' | 'fits'> | null;
/** Makes what is typed for an entry; null if the entry has nothing for it. */
type Maker = (random: Random, entry: Wording) => Made;

/** A word of the title, in Latin letters, of so many at least. */
function aWord(random: Random, { words }: Wording, least: number): string | null {
  const fit = words.filter((word) => LATIN.test(word) && word.length >= least);
  return fit.length === 0 ? null : random.one(fit);
}

function neighbouringWords(random: Random, { words }: Wording): [string, string] | null {
  if (words.length < 2) return null;
  const at = random.below(words.length - 1);
  return [words[at] as string, words[at + 1] as string];
}

const started: (parts: readonly string[]) => Made = (parts) => ({
  text: parts.join(' '),
  fits: startAll(parts),
});

function twoStarts(random: Random, entry: Wording): [string, string] | null {
  const words = neighbouringWords(random, entry);
  return words && [startOf(random, words[0]), startOf(random, words[1])];
}

/** A word's start of four letters and more, with one slip. */
const withSlip =
  (slip: Slip): Maker =>
  (random, entry) => {
    const word = aWord(random, entry, 5);
    const part = word?.slice(0, 4 + random.below(5));
    const text = part && slipped(random, part, slip);
    return text && text !== part ? { text, fits: startAll([part]) } : null;
  };

const NUMBER = /#\d+|q\d-\d|v\d\.\d|\d{4}/i;

/** Each kind of typing: how much of all typing it is, in per cent, and how it is made. */
const TYPING: Readonly<Record<string, { readonly share: number; readonly make: Maker }>> = {
  prefix: {
    share: 34,
    make: (random, entry) => {
      const word = aWord(random, entry, 3);
      return word === null ? null : started([startOf(random, word)]);
    },
  },
  'two prefixes': {
    share: 14,
    make: (random, entry) => {
      const parts = twoStarts(random, entry);
      return parts && started(parts);
    },
  },
  'other order': {
    share: 3,
    make: (random, entry) => {
      const parts = twoStarts(random, entry);
      return parts && started(parts.reverse());
    },
  },
  'with application': {
    share: 5,
    make: (random, entry) => {
      const word = aWord(random, entry, 3);
      const application = plain(split(entry.item.detail)[0] ?? '');
      if (!word || !LATIN.test(application)) return null;
      const parts = [startOf(random, application), startOf(random, word)];
      return started(random.chance(0.5) ? parts : parts.reverse());
    },
  },
  'no spaces': {
    share: 4,
    make: (random, entry) => {
      const words = neighbouringWords(random, entry);
      if (!words || !LATIN.test(words.join(''))) return null;
      const text = words[0] + startOf(random, words[1]);
      return { text, fits: (other) => other.joined.includes(text) };
    },
  },
  initials: {
    share: 6,
    make: (random, { initials }) => {
      const from = initials.length > 3 ? random.below(2) : 0;
      const text = initials.slice(from, from + 4);
      return text.length < 2 ? null : { text, fits: (other) => other.initials.includes(text) };
    },
  },
  fragment: {
    share: 5,
    make: (random, entry) => {
      const word = aWord(random, entry, 6);
      if (!word) return null;
      const at = 1 + random.below(word.length - 4);
      const text = word.slice(at, at + 3 + random.below(3));
      return { text, fits: (other) => other.all.some((one) => one.includes(text)) };
    },
  },
  consonants: {
    share: 3,
    make: (random, entry) => {
      const word = aWord(random, entry, 6);
      const text = word && consonantsOf(word).slice(0, 5);
      if (!text || text.length < 3 || word.startsWith(text)) return null;
      return { text, fits: (other) => other.all.some((one) => consonantsOf(one).startsWith(text)) };
    },
  },
  digits: {
    share: 6,
    make: (random, entry) => {
      const number = NUMBER.exec(entry.item.title)?.[0].toLowerCase();
      if (number === undefined) return null;
      const lead = random.chance(0.5) ? startOf(random, entry.words[0] ?? '') : '';
      const whole = new RegExp(`(?<!\\d)${number.replace('.', '\\.')}(?!\\d)`, 'i');
      return {
        text: `${lead} ${number}`.trim(),
        fits: (other) => whole.test(other.item.title) && (lead === '' || starts(other, lead)),
      };
    },
  },
  'foreign native': {
    share: 1.5,
    make: (random, { native }) => {
      const fit = native.filter((word) => FOREIGN.test(word));
      const part = fit.length > 0 && random.one(fit).slice(0, 3 + random.below(4));
      if (!part || !FOREIGN.test(part)) return null;
      return {
        text: part,
        fits: (other) => other.native.some((word) => word.startsWith(part)) || starts(other, plain(part)),
      };
    },
  },
  'foreign plain': {
    share: 2,
    make: (random, { native }) => {
      const fit = native.filter((word) => FOREIGN.test(word) && LATIN.test(plain(word)));
      if (fit.length === 0) return null;
      const word = random.one(fit);
      const foreign = [...word].findIndex((letter) => FOREIGN.test(letter));
      return started([plain(word.slice(0, Math.max(foreign + 2, 3 + random.below(4))))]);
    },
  },
  transliterated: {
    share: 0.5,
    make: (random, { words }) => {
      const fit = words.filter((word) => /^[\u0370-\u03ff\u0400-\u04ff]+$/.test(word));
      if (fit.length === 0) return null;
      const text = inLatin(random.one(fit)).slice(0, 3 + random.below(4));
      return { text, fits: (other) => other.all.some((word) => inLatin(word).startsWith(text)) };
    },
  },
  'wrong case': {
    share: 1,
    make: (random, entry) => {
      const word = aWord(random, entry, 3);
      if (!word) return null;
      const part = startOf(random, word);
      const text = random.chance(0.5) ? part.toUpperCase() : part.charAt(0) + part.slice(1).toUpperCase();
      return { text, fits: startAll([part]) };
    },
  },
  'slip omit': { share: 4.5, make: withSlip('omit') },
  'slip double': { share: 1.8, make: withSlip('double') },
  'slip extra': { share: 1.7, make: withSlip('extra') },
  'slip near qwerty': { share: 1.3, make: withSlip('near qwerty') },
  'slip near qwertz': { share: 1.2, make: withSlip('near qwertz') },
  'slip swap': { share: 1.6, make: withSlip('swap') },
  'slip first': {
    share: 0.5,
    make: (random, entry) => {
      const word = aWord(random, entry, 5);
      const around = AROUND.qwerty.get(word?.charAt(0) ?? '');
      if (!word || !around) return null;
      return { text: random.one([...around]) + word.slice(1, 6), fits: startAll([word.slice(0, 6)]) };
    },
  },
  'slip in two words': {
    share: 1.4,
    make: (random, entry) => {
      const parts = twoStarts(random, entry);
      if (!parts || !LATIN.test(parts[1]) || parts[1].length < 4) return null;
      return {
        text: `${parts[0]} ${slipped(random, parts[1], random.weighted(SLIPS))}`,
        fits: startAll(parts),
      };
    },
  },
  'two slips': {
    share: 1,
    make: (random, entry) => {
      const part = aWord(random, entry, 8)?.slice(0, 8 + random.below(3));
      if (part === undefined) return null;
      const once = slipped(random, part, random.weighted(SLIPS));
      const text = slipped(random, once, random.weighted(SLIPS), 2);
      return [part, once].includes(text) || once === part ? null : { text, fits: startAll([part]) };
    },
  },
};

/** How much of all typing each kind is, in per cent. */
export const SHARES: ReadonlyMap<string, number> = new Map(
  Object.entries(TYPING).map(([kind, { share }]) => [kind, share]),
);

/**
 * Up to `count` queries of each kind. People go on typing until few things fit, so those that fit three at most are
 * preferred; letters with a slip that are the right start of something else say nothing.
 */
export function queriesOf(entries: readonly Wording[], random: Random, count: number): Query[] {
  const FEW = 3;
  return Object.entries(TYPING).flatMap(([kind, { make }]) => {
    const made: Query[] = [];
    for (let tries = 0; made.length < count && tries < count * 40; tries += 1) {
      const entry = random.one(entries);
      const query = make(random, entry);
      if (!query?.fits(entry)) continue;
      const fitting = entries.filter(query.fits).length;
      if (fitting > FEW && tries < count * 20) continue;
      const misread =
        kind.includes('slip') &&
        entries.some((other) => starts(other, plain(query.text)) && !query.fits(other));
      if (!misread) made.push({ kind, target: entry.item, ...query });
    }
    return made;
  });
}
