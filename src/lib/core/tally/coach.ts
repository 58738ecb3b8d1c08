/**
 * The coach: after a switch that took much longer than it had to, now and then one line that says how else. It says nothing
 * twice, and never much.
 */
import type { WindowId } from '../model/ids';
import type { Route } from './cheapest-way';
import { keysSeconds, type Operators } from './operators';
import { BY_KEYS, type SwitchFacts } from './way';

/** A switch is worth a word if it cost this many times what the cheapest way costs. */
export const WORTH_A_WORD = 2;
/** From one word to the next, in ms. */
export const COACH_RESTS_MS = 600_000;
/** What was said longest ago is forgotten beyond so many. */
export const MOST_SAID = 200;

/** What has been said so far. */
export interface Said {
  /** When the last word was, in ms; null if there was none. */
  readonly last: number | null;
  /** What it was about, by name, the latest at the end. */
  readonly words: readonly string[];
}

/** Nothing so far. */
export const NOTHING_SAID: Said = { last: null, words: [] };

/** What a switch by keys cost by the model, in s: its keys, the hold key too, and a look if there was more than one. */
export const costOf = ({ presses = 0 }: SwitchFacts, operators: Operators): number =>
  keysSeconds(operators, 1 + presses, presses > 1 ? 1 : 0);

/** The name of a way to a window, to tell whether it was said before. */
const nameOf = (to: WindowId, { strokes }: Route): string => JSON.stringify([to, strokes]);

/**
 * What has been said once a switch was looked at: the same if there is nothing to say of it.
 * @param now in ms, of the clock that `said.last` is of
 */
export function afterSwitch(
  said: Said,
  {
    to,
    done,
    cheapest,
  }: { readonly to: WindowId; readonly done: SwitchFacts; readonly cheapest: Route | null },
  operators: Operators,
  now: number,
): Said {
  if (!cheapest || !BY_KEYS.some((way) => way === done.way)) return said;
  if (costOf(done, operators) < WORTH_A_WORD * cheapest.seconds) return said;
  if (said.last !== null && now - said.last < COACH_RESTS_MS) return said;
  const name = nameOf(to, cheapest);
  if (said.words.includes(name)) return said;
  return { last: now, words: [...said.words, name].slice(-MOST_SAID) };
}
