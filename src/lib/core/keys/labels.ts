import { isComposing, type KeyInput } from './key-input';
import { seatOf } from './writing-keys';

/** What keys write without Shift, by position: small letters and signs. */
export type Written = Readonly<Record<string, string>>;

/** A layout by its name in xkb-data, e.g. `fr(bepo)`. */
export interface Layout {
  readonly name: string;
  readonly title: string;
  readonly written: Written;
}

/** What is known of the keyboard that someone uses. */
export interface KnownKeys {
  /** The layout that was chosen; null if it is to be found out. */
  readonly chosen: Layout | null;
  /** What was typed, layout by layout, the one in use first. */
  readonly typed: readonly Written[];
  /** What the browser says of the layout, where it says anything. */
  readonly told: Written;
}

/** Before anything was chosen, typed or told. */
export const NOTHING_KNOWN: KnownKeys = { chosen: null, typed: [], told: {} };

/** People switch between two layouts, some between three. */
const MOST_LAYOUTS = 4;

/** What was stored as JSON of an earlier page; of what makes no sense, nothing is taken over. */
export function knownFrom(json: string): KnownKeys {
  const stored = parsed(json);
  const { chosen, typed } = isRecord(stored) ? stored : {};
  return {
    ...NOTHING_KNOWN,
    chosen: isLayout(chosen) ? chosen : null,
    typed: Array.isArray(typed) ? typed.filter(isWritten) : [],
  };
}

function parsed(json: string): unknown {
  try {
    return JSON.parse(json);
  } catch {
    return null;
  }
}

const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null;
const isWritten = (value: unknown): value is Written =>
  isRecord(value) && Object.values(value).every((letter) => typeof letter === 'string');
const isLayout = (value: unknown): value is Layout =>
  isRecord(value) &&
  typeof value['name'] === 'string' &&
  typeof value['title'] === 'string' &&
  isWritten(value['written']);

/**
 * What is printed on the key at a position, as on its cap: `S` for `KeyS` on many; null if that is not known. A choice
 * comes first, then what was typed, then what the browser says, unless what was typed proves it wrong.
 * @example labelOf({ chosen: null, typed: [{ KeyQ: 'a' }], told: {} }, 'KeyQ') // 'A'
 */
export function labelOf({ chosen, typed, told }: KnownKeys, code: string): string | null {
  const seat = seatOf(code);
  if (!seat) return code;
  // Whatever they write without Shift, the digits are printed on their keys.
  if (seat.row === 'digits' && code.startsWith('Digit')) return code.slice('Digit'.length);
  const [inUse = {}] = typed;
  const letter = (chosen?.written ?? { ...(agree(inUse, told) ? told : {}), ...inUse })[code];
  return letter === undefined ? null : asOnCap(letter);
}

/** Learns from a key: a plain one that writes tells what is printed on it. The same value comes back if it told nothing. */
export function learnKey(known: KnownKeys, input: KeyInput): KnownKeys {
  const { code } = input;
  const letter = letterOf(input);
  if (letter === null || known.typed[0]?.[code] === letter) return known;
  const fitting = known.typed.find((written) => fits(written, code, letter)) ?? {};
  return { ...known, typed: inFront(known.typed, fitting, { ...fitting, [code]: letter }) };
}

/** Takes in what the browser says; if it says something else than before, another layout is in use now. */
export function hearLayout(known: KnownKeys, told: Written): KnownKeys {
  if (sameKeys(told, known.told)) return known;
  const agreeing = known.typed.find((written) => agree(written, told)) ?? {};
  return { ...known, told, typed: inFront(known.typed, agreeing, agreeing) };
}

function inFront(typed: readonly Written[], before: Written, now: Written): readonly Written[] {
  return [now, ...typed.filter((written) => written !== before)].slice(0, MOST_LAYOUTS);
}

/** The letter that a key wrote; null if it wrote none, or with the help of other keys. */
function letterOf(input: KeyInput): string | null {
  const { phase, code, key, alt, control, meta, shift, altGraph } = input;
  const plain = phase === 'down' && !(alt || control || meta || shift || altGraph || isComposing(input));
  const writes = plain && seatOf(code) !== null && [...key].length === 1;
  // With Caps Lock it is a capital.
  return writes ? key.toLowerCase() : null;
}

/** Whether a layout on which these were typed may write this letter with this key. */
function fits(written: Written, code: string, letter: string): boolean {
  const elsewhere = Object.entries(written).some(([other, one]) => one === letter && other !== code);
  const sameScript =
    !isLetter(letter) ||
    Object.values(written).every((one) => isLatin(one) === isLatin(letter) || !isLetter(one));
  return (written[code] ?? letter) === letter && !elsewhere && sameScript;
}

const agree = (written: Written, told: Written): boolean =>
  Object.entries(written).every(([code, letter]) => (told[code] ?? letter) === letter);

const sameKeys = (one: Written, other: Written): boolean =>
  Object.keys(one).length === Object.keys(other).length && agree(one, other);

const isLetter = (letter: string): boolean => /\p{L}/u.test(letter);
const isLatin = (letter: string): boolean => /\p{Script=Latin}/u.test(letter);

/** As a capital, where it has one that is one letter too. */
function asOnCap(letter: string): string {
  const capital = letter.toUpperCase();
  return capital.length === letter.length ? capital : letter;
}
