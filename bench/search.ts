/**
 * `npm run bench:search`: one keystroke of search over 10,000 candidates, ranking included, as a ratio to what
 * general-purpose packages take for their own search of the same texts in the same run.
 */
import UFuzzy from '@leeoniya/ufuzzy';
import Fuse from 'fuse.js';
import fuzzysort from 'fuzzysort';
import { learn } from '../src/lib/core/slices/learning/learning';
import { makeCatalogue } from '../src/lib/core/search/catalogue';
import { MOST_RESULTS, search } from '../src/lib/core/search/search';
import type { LearnedChoice } from '../src/lib/core/slices/learning/state';
import { titled } from '../testing/candidates';
import { words } from '../testing/words';
import { fastest, printTable } from './statistics';

const COUNT = 10_000;
const RUNS = 9;
const AT = '2026-11-24T06:12:00.000Z';

const list = words(COUNT * 2);
const titles = Array.from({ length: COUNT }, (_, n) => `${list[n]} ${list[COUNT + ((n * 7) % COUNT)]}`);
/** Typed letter by letter, as a person does. */
const letterByLetter = (typed: readonly string[]): string[] =>
  typed.flatMap((word) => Array.from(word, (_, n) => word.slice(0, n + 1)));
const RIGHT = letterByLetter(['harbour', 'quiet', 'able wre', 'timber', 'log', 'under']);
/** With slips, which the packages leave unfound and Key Fold repairs. */
const SLIPS = letterByLetter(['hrabour', 'tmiber', 'lgo', 'udner']);

const catalogue = makeCatalogue(
  titles.map((title, position) => titled(title, { position, running: position % 100 === 0 })),
);
let learned: readonly LearnedChoice[] = [];
for (let n = 0; n < 200; n += 1)
  learned = learn(learned, {
    letters: RIGHT[n % RIGHT.length] ?? '',
    choice: `document:${n * 31}`,
    at: AT,
  });

const prepared = titles.map((title) => fuzzysort.prepare(title));
const snapshot = fuzzysort.snapshot(titles);
const ufuzzy = new UFuzzy();
const fuse = new Fuse(titles);
const limit = MOST_RESULTS;

const CONTESTANTS: Record<string, (letters: string) => unknown> = {
  'Key Fold, ranking included': (letters) => search(catalogue, letters, learned, AT),
  'fuzzysort, snapshot': (letters) => fuzzysort.go(letters, snapshot, { limit }),
  'fuzzysort, prepared': (letters) => fuzzysort.go(letters, prepared, { limit }),
  uFuzzy: (letters) => ufuzzy.search(titles, letters),
  'Fuse.js': (letters) => fuse.search(letters, { limit }),
};

for (const [what, keystrokes] of [
  ['typed right', RIGHT],
  ['typed with slips', SLIPS],
] as const) {
  const times = Object.entries(CONTESTANTS).map(([name, find]) => {
    const ms = fastest(name === 'Fuse.js' ? 1 : RUNS, () => keystrokes.forEach(find)) / keystrokes.length;
    return { name, ms };
  });
  const others = times.slice(1).map(({ ms }) => ms);
  printTable(
    `One keystroke over ${COUNT} candidates, ${what} (${keystrokes.length} keystrokes)`,
    times.map(({ name, ms }) => ({
      name,
      'ms a keystroke': Number(ms.toFixed(3)),
      'ratio to the fastest package': Number((ms / Math.min(...others)).toFixed(2)),
    })),
  );
}
