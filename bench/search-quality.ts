/**
 * `npm run bench:search-quality`: whether the one that is meant comes first, by the model of `testing/search-model`, beside
 * general-purpose packages. SIZES, SEEDS and COUNT (queries of each kind) may be set; weights are tuned on other seeds
 * than these.
 */
import type { learn } from '../src/lib/core/slices/learning/learning';
import { weighed, judge, questionsOf, type Tally } from '../testing/search-model/judging';
import { catalogueOfItems, searchOf, SYSTEMS } from '../testing/search-model/contestants';
import { floorOf, lettersUntilFirst, usedItems } from '../testing/search-model/until-first';
import { live } from '../testing/search-model/people';
import { printTable } from './statistics';

const numbers = (name: string, otherwise: string) => (process.env[name] ?? otherwise).split(',').map(Number);
/** Judged by these, tuned on 1 to 20. */
const SEEDS = numbers('SEEDS', '101,102');
const SIZES = numbers('SIZES', '30,300,3000');
const [COUNT = 60] = numbers('COUNT', '60');
const asked = process.argv.slice(2);
const systems = Object.entries(SYSTEMS).filter(([name]) => asked.length === 0 || asked.includes(name));

const percent = (share: number) => Number((100 * share).toFixed(1));

/** With LOST set, the queries of which something else came first that their letters do not explain. */
const printLost = process.env['LOST'] !== undefined;

const tallies = new Map(systems.map(([name]) => [name, new Map<string, Tally>()]));
for (const size of SIZES)
  for (const seed of SEEDS) {
    const questions = questionsOf(size, seed, COUNT);
    const titleOf = (id: string | undefined) => questions.items.find((item) => item.id === id)?.title;
    for (const [name, system] of systems)
      judge(
        system(questions.items),
        questions,
        tallies.get(name) ?? new Map<string, Tally>(),
        ({ fitting, kind, target, text }, [first]) => {
          if (printLost && name === 'Key Fold' && first !== undefined && !fitting.has(first))
            console.log(`${size} ${kind}: ${text} → ${target.title}; came: ${titleOf(first)}`);
        },
      );
  }

const [kinds] = tallies.values();
printTable(
  'First / nothing found / something unrelated above, %; by lot: first, if it were drawn among all that the letters explain',
  [...(kinds ?? [])].map(([kind, { byLot, n }]) => ({
    kind,
    'by lot': percent(byLot / n),
    ...Object.fromEntries(
      [...tallies].map(([name, byKind]) => {
        const tally = byKind.get(kind);
        const share = (count: keyof Tally) => percent((tally?.[count] ?? NaN) / (tally?.n ?? NaN));
        return [name, `${share('first')} ${share('nothing')} ${share('unrelatedAbove')}`];
      }),
    ),
  })),
);
printTable(
  'Weighed by how often each kind is typed, %',
  [...tallies].map(([name, byKind]) => ({
    name,
    ...Object.fromEntries(
      (['first', 'amongThree', 'nothing', 'unrelatedAbove', 'byLot'] as const).map((count) => [
        count,
        percent(weighed(byKind, count)),
      ]),
    ),
  })),
);

const mean = (values: readonly number[]) => values.reduce((a, b) => a + b, 0) / values.length;
printTable(
  'Letters of a title until it is first, the most recently used meant oftenest; the floor: by recent use alone',
  SIZES.map((size) => {
    const measured = SEEDS.map((seed) => {
      const { items, positions, meant } = usedItems(size, seed, 500);
      const find = searchOf(catalogueOfItems(items, positions));
      const until = (by: (letters: string) => readonly string[]) =>
        mean(meant.map((item) => lettersUntilFirst(by, item)));
      return { letters: until((letters) => find(letters, '')), floor: until(floorOf(items, positions)) };
    });
    return {
      entries: size,
      letters: Number(mean(measured.map(({ letters }) => letters)).toFixed(2)),
      floor: Number(mean(measured.map(({ floor }) => floor)).toFixed(2)),
    };
  }),
);

const PEOPLE = 100;
const fared = (learning?: typeof learn) =>
  Array.from({ length: PEOPLE }, (_, n) => live(200 + n, 300, learning));
printTable(
  `${PEOPLE} simulated people among 300 entries, half of whose letters change their meaning midway, %`,
  Object.entries({ 'as it learns': fared(), 'without learning': fared((learned) => [...learned]) }).map(
    ([name, all]) => ({
      name,
      first: percent(mean(all.map(({ first }) => first))),
      'first after the change': percent(mean(all.map(({ firstAfterChange }) => firstAfterChange))),
      'lower than without': percent(mean(all.map(({ harmed }) => harmed))),
    }),
  ),
);
