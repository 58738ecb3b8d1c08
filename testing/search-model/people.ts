/**
 * Simulated people: each makes 200 choices, five a day, among 40 things, the n-th 1/n as often as the first (Zipf's law),
 * by the short letters it is used to and now and then by others. At choice 120 half of the letters come to mean something
 * else that they match. The model is ours; nothing is published about it.
 */
import { learn } from '../../src/lib/core/slices/learning/learning';
import type { LearnedChoice } from '../../src/lib/core/slices/learning/state';
import type { Catalogue } from '../../src/lib/core/search/catalogue';
import { search } from '../../src/lib/core/search/search';
import { NEWCOMER } from '../candidates';
import { Random } from '../random';
import { catalogueOfItems } from './contestants';
import { candidateOf, itemsOf, type Item } from './entries';
import { wordingOf } from './queries';

const CHOICES = 200;
const A_DAY = 5;
const CHANGE = 120;
const THINGS = 40;
/** Choices at the beginning that do not count, and after the change that are counted by themselves. */
const WARMING_UP = 20;
const AFTER_CHANGE = 40;

/** Something that a person chooses again and again, and the letters for it. */
interface Habit {
  readonly item: Item;
  readonly letters: string;
}

/** How a person fared: the shares of choices that were first, first after the change, and lower than without learning. */
export interface Fared {
  readonly first: number;
  readonly firstAfterChange: number;
  readonly harmed: number;
}

const dayOf = (n: number) => new Date(Date.UTC(2026, 10, 1) + (n / A_DAY) * 86_400_000).toISOString();

/** Some letters that a person may use for something. */
function lettersFor(random: Random, item: Item): string {
  const { initials, words } = wordingOf(item);
  if (random.chance(0.25) && initials.length > 1) return initials.slice(0, 3);
  return random.one(words).slice(0, 1 + random.below(3));
}

/** Lives through the choices of one person among `size` things; `learning`: how choices are remembered. */
export function live(seed: number, size: number, learning: typeof learn = learn): Fared {
  const random = new Random(seed);
  const items = itemsOf(size, 1_000 + seed);
  const bare = catalogueOfItems(items);
  const catalogue = catalogueOfItems(items);
  const found = (among: Catalogue, letters: string, learned: readonly LearnedChoice[], at: string) =>
    search(among, letters, { ...NEWCOMER, learned, at }).map(({ candidate }) => candidate.key);
  let habits = Array.from({ length: THINGS }, (): Habit => {
    const item = random.one(items);
    return { item, letters: lettersFor(random, item) };
  });
  const weights = habits.map((_, n) => [n, 1 / (n + 1)] as const);
  let learned: readonly LearnedChoice[] = [];
  const used: Item[] = [];
  const tally = { n: 0, first: 0, after: 0, firstAfter: 0, harmed: 0 };
  for (let n = 0, tries = 0; n < CHOICES && tries < CHOICES * 10; tries += 1) {
    if (n === CHANGE && tries < CHOICES * 9) {
      tries = CHOICES * 9;
      habits = habits.map((habit, nth) =>
        nth % 2
          ? habit
          : { ...habit, item: another(random, items, found(bare, habit.letters, [], dayOf(n)), habit) },
      );
    }
    const { item, letters: habit } = habits[random.weighted(weights)] as Habit;
    const letters = random.chance(0.15)
      ? lettersFor(random, item)
      : random.chance(0.15)
        ? habit.slice(0, Math.max(1, habit.length - 1))
        : habit;
    if (!found(bare, letters, [], dayOf(n)).includes(item.id)) continue;
    const now = found(catalogue, letters, learned, dayOf(n));
    const wrong = random.chance(0.03);
    if (!wrong && n >= WARMING_UP) {
      const at = now.indexOf(item.id);
      const unlearned = found(catalogue, letters, [], dayOf(n)).indexOf(item.id);
      tally.n += 1;
      if (at === 0) tally.first += 1;
      if (at > unlearned) tally.harmed += 1;
      if (n >= CHANGE && n < CHANGE + AFTER_CHANGE) {
        tally.after += 1;
        if (at === 0) tally.firstAfter += 1;
      }
    }
    const chosen = wrong ? items.find(({ id }) => id === now[0]) : item;
    if (!chosen) continue;
    learned = learning(learned, { letters, choice: chosen.id, at: dayOf(n) });
    use(catalogue, used, chosen);
    n += 1;
  }
  return {
    first: tally.first / tally.n,
    firstAfterChange: tally.firstAfter / tally.after,
    harmed: tally.harmed / tally.n,
  };
}

/** Something else that the letters of a habit match well. */
function another(random: Random, items: readonly Item[], found: readonly string[], { item }: Habit): Item {
  const id = found.length === 0 ? item.id : random.one(found.slice(0, 12));
  return items.find((one) => one.id === id) ?? item;
}

/** Moves what was chosen to the head of what was used. */
function use(catalogue: Catalogue, used: Item[], item: Item): void {
  if (item.kind === 'command') return;
  const before = used.indexOf(item);
  if (before !== -1) used.splice(before, 1);
  used.unshift(item);
  for (const [position, one] of used.entries()) catalogue.move(candidateOf(one).key, position);
}
