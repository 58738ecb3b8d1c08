/**
 * Looks on while someone uses the desk, and tells of what is wished how it came about. The desk itself knows no clock;
 * this is told the time with every input. Of keys it knows how many went down, never which.
 */
import type { Wish, WishType } from '../commands/commands';
import type { DeskInput, Submission } from '../desk/messages';
import type { DeskState } from '../desk/state';
import { isModifierName } from '../keys/key-input';
import { LONGEST_SWITCH_MS, MOST_PRESSES, type SwitchFacts, type Way } from './way';

/** Wishes that go to a window. What else is wished may have another window in front as well. */
const GOING: ReadonlySet<WishType> = new Set<WishType>([
  'bring-to-front',
  'switch-to-application',
  'walk-to',
  'open-document',
  'go-to-tab',
]);

/** What someone is at: since when, in ms, and how many keys went down since. */
interface Act {
  readonly since: number;
  readonly presses: number;
}

/** One page's watch. Times are in ms, of any clock that never goes back. */
export class SwitchWatch {
  #act: Act | null = null;

  /** An input that the desk is about to take. */
  hear(input: DeskInput, now: number): void {
    if (input.type !== 'key' || input.key.phase === 'up' || input.key.repeat) return;
    const { since, presses } = this.#act ?? { since: now, presses: 0 };
    this.#act = { since, presses: presses + (isModifierName(input.key.key) ? 0 : 1) };
  }

  /** How something came about that is wished just now. A further switch in the same hold begins here. */
  factsOf(submission: Submission, now: number): SwitchFacts {
    const act = this.#act;
    const way = wayOf(submission);
    if (act === null) return { way };
    if (way !== 'other') this.#act = { since: now, presses: 0 };
    return {
      way,
      took: Math.min(Math.round(now - act.since), LONGEST_SWITCH_MS),
      presses: Math.min(act.presses, MOST_PRESSES),
    };
  }

  /** The desk has taken the input: what someone was at is over once nothing is open and no key is held. */
  rest({ switcher, survey, walk, holding, modifiers }: DeskState): void {
    if (!switcher && !survey && !walk && !holding && modifiers.size === 0) this.#act = null;
  }
}

function wayOf({ origin, way, wishes }: Submission): Way {
  if (!wishes.some(goes)) return 'other';
  if (origin === 'pointer' || origin === 'page') return origin;
  return way ?? 'key';
}

const goes = ({ type }: Wish): boolean => GOING.has(type);
