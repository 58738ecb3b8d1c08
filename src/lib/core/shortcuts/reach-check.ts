/** The reach check: every combination in use is asked for, one after the other, and either arrives or does not. */
import type { Invocation } from '../actions/action';
import type { KeyMap } from '../actions/views/key-map';
import { chordText, sameChord, type Chord } from '../keys/chord';
import { effortOf } from '../keys/effort';
import { freeChords, type Surroundings } from './users';

/** A combination in use, and what it does. */
export interface Asked {
  readonly chord: Chord;
  readonly invocation: Invocation;
}

/** How far the check is. */
export interface ReachCheck {
  readonly asked: readonly Asked[];
  /** Which one is asked for; as many as there are once the check is over. */
  readonly at: number;
  /** What is known of each, by `chordText`. */
  readonly seen: ReadonlyMap<string, 'arrived' | 'missed'>;
}

/** Every combination in use outside of lists, nearest to the resting hand first. */
export function begunCheck({ bindings }: KeyMap): ReachCheck {
  const asked = bindings.flatMap(({ scope, at, shift, modifiers = [], invocation }): Asked[] => {
    if (scope !== 'held' && scope !== 'anywhere') return [];
    const code = 'code' in at ? at.code : at.key;
    return [{ chord: { code, shift: shift === true, hold: scope === 'held', modifiers }, invocation }];
  });
  const near = asked.toSorted((a, b) => effortOf(a.chord) - effortOf(b.chord));
  return { asked: near, at: 0, seen: new Map() };
}

/** The check after a combination arrived. Another one than is asked for counts as well, and the question stays. */
export function arrived(check: ReachCheck, chord: Chord): ReachCheck {
  const found = check.asked.find((one) => sameChord(one.chord, chord));
  return found ? onward(check, found, 'arrived') : check;
}

/** The check after it was said that nothing arrived. */
export function missed(check: ReachCheck): ReachCheck {
  const asked = check.asked[check.at];
  return asked ? onward(check, asked, 'missed') : check;
}

function onward(check: ReachCheck, one: Asked, what: 'arrived' | 'missed'): ReachCheck {
  const seen = new Map(check.seen).set(chordText(one.chord), what);
  const next = check.asked.findIndex(({ chord }, n) => n >= check.at && !seen.has(chordText(chord)));
  return { ...check, seen, at: next === -1 ? check.asked.length : next };
}

/** Back to the question before. */
export function again(check: ReachCheck): ReachCheck {
  const at = Math.max(0, check.at - 1);
  const seen = new Map(check.seen);
  const before = check.asked[at];
  if (before) seen.delete(chordText(before.chord));
  return { ...check, at, seen };
}

/** What did not arrive. */
export const missing = ({ asked, seen }: ReachCheck): Asked[] =>
  asked.filter(({ chord }) => seen.get(chordText(chord)) === 'missed');

/** For each that did not arrive another combination that nobody uses, each a different one. */
export function proposals(
  check: ReachCheck,
  around: Surroundings,
): (Asked & { readonly instead: Chord | null })[] {
  const all = missing(check);
  const free = freeChords(around, all.length);
  return all.map((one, n) => ({ ...one, instead: free[n] ?? null }));
}
