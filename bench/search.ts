/**
 * `npm run bench:search`: one keystroke of search over 10,000 entries, ranking and learning included, as a ratio to what
 * fuzzysort (npm) takes for its own search of the same texts, all in turns within one run; and what it takes to make a
 * catalogue and to follow a change.
 */
import fuzzysort from 'fuzzysort';
import { Catalogue } from '../src/lib/core/search/catalogue';
import { MOST_RESULTS, search } from '../src/lib/core/search/search';
import { learn } from '../src/lib/core/slices/learning/learning';
import type { LearnedChoice } from '../src/lib/core/slices/learning/state';
import { NEWCOMER } from '../testing/candidates';
import { Random } from '../testing/random';
import { candidateOf, itemsOf, type Item } from '../testing/search-model/entries';
import { queriesOf, wordingOf } from '../testing/search-model/queries';
import { words } from '../testing/words';
import { printTable } from './statistics';

const COUNT = 10_000;
const ROUNDS = 9;

const list = words(COUNT * 2);
const plain = Array.from({ length: COUNT }, (_, n): Item => ({
  id: `document:${n}`,
  kind: 'document',
  title: `${list[n]} ${list[COUNT + ((n * 7) % COUNT)]}`,
  detail: '',
}));
const realistic = itemsOf(COUNT, 5);
const queries = queriesOf(realistic.map(wordingOf), new Random(9), 6);
const ofKind = (slips: boolean) =>
  queries.filter(({ kind }) => kind.includes('slip') === slips).map(({ text }) => text);
/** Typed letter by letter, as a person does. */
const letterByLetter = (typed: readonly string[]): string[] =>
  typed.flatMap((word) => Array.from(word, (_, n) => word.slice(0, n + 1)));

const SETS: readonly (readonly [what: string, items: readonly Item[], typed: readonly string[]])[] = [
  ['two words, right', plain, ['harbour', 'quiet', 'able wre', 'timber', 'log', 'under']],
  ['two words, slips', plain, ['hrabour', 'tmiber', 'lgo', 'udner']],
  ['like titles and paths, right', realistic, ofKind(false)],
  ['like titles and paths, slips', realistic, ofKind(true)],
];

/** 200 choices for these letters. */
const lessons = (keys: readonly string[]): readonly LearnedChoice[] =>
  Array.from({ length: 200 }).reduce<readonly LearnedChoice[]>(
    (learned, _, n) =>
      learn(learned, { letters: keys[n % keys.length] ?? '', choice: `document:${n * 31}`, at: NEWCOMER.at }),
    [],
  );

/** The time of some work, in ms. */
function timed(work: () => void): number {
  const start = performance.now();
  work();
  return performance.now() - start;
}

for (const [what, items, typed] of SETS) {
  const keys = letterByLetter(typed);
  const catalogue = new Catalogue();
  const making = timed(() => {
    for (const [position, item] of items.entries())
      catalogue.put(candidateOf(item), position % 100 === 0 ? position / 100 : Infinity);
  });
  const again = items.slice(0, 100).map((item) => ({ ...candidateOf(item), title: `${item.title} again` }));
  const following = timed(() => again.forEach((candidate) => catalogue.put(candidate, 0))) / again.length;
  const searcher = { ...NEWCOMER, learned: lessons(keys) };
  const texts = items.map(({ title, detail }) => (detail === '' ? title : `${title} · ${detail}`));
  const snapshot = fuzzysort.snapshot(texts);
  const contestants: Record<string, (letters: string) => unknown> = {
    'Key Fold': (letters) => search(catalogue, letters, searcher),
    fuzzysort: (letters) => fuzzysort.go(letters, snapshot, { limit: MOST_RESULTS }),
  };
  // Key by key in turns, and of each key its least time: what else the machine does then tells the least.
  const least = new Map(Object.keys(contestants).map((name) => [name, keys.map(() => Infinity)]));
  for (let round = 0; round < ROUNDS; round += 1)
    for (const [n, key] of keys.entries())
      for (const [name, find] of Object.entries(contestants)) {
        const times = least.get(name) ?? [];
        times[n] = Math.min(
          times[n] ?? Infinity,
          timed(() => find(key)),
        );
      }
  const mean = (name: string) => (least.get(name) ?? []).reduce((sum, ms) => sum + ms, 0) / keys.length;
  printTable(
    `One keystroke over ${COUNT} entries, ${what} (${keys.length} keystrokes)`,
    Object.keys(contestants).map((name) => ({
      name,
      'ms a keystroke': Number(mean(name).toFixed(3)),
      'ratio to fuzzysort': Number((mean(name) / mean('fuzzysort')).toFixed(2)),
      'slowest key, ms': Number(Math.max(...(least.get(name) ?? [])).toFixed(1)),
    })),
  );
  console.log(
    `catalogue made in ${making.toFixed(0)} ms; one entry changed in ${(following * 1_000).toFixed(0)} µs`,
  );
}
