/**
 * `npm run bench:search-quality`: whether the one that is meant comes first, by the model of `testing/search-model`, beside
 * general-purpose packages. SIZES, SEEDS and COUNT (queries of each kind) may be set; weights are tuned on other seeds
 * than these (TUNING).
 */
import { weighed, judge, questionsOf, type Tally } from '../testing/search-model/judging';
import { catalogueOfItems, searchOf, SYSTEMS } from '../testing/search-model/contestants';
import { lettersUntilFirst, usedItems } from '../testing/search-model/until-first';
import { printTable } from './statistics';

const numbers = (name: string, otherwise: string) => (process.env[name] ?? otherwise).split(',').map(Number);
/** Judged by these, tuned on 1 to 20. */
const SEEDS = numbers('SEEDS', '101,102');
const SIZES = numbers('SIZES', '30,300,3000');
const [COUNT = 60] = numbers('COUNT', '60');
const asked = process.argv.slice(2);
const systems = Object.entries(SYSTEMS).filter(([name]) => asked.length === 0 || asked.includes(name));

const percent = (share: number) => Number((100 * share).toFixed(1));

const byLot = new Map<string, number>();
const tallies = new Map(systems.map(([name]) => [name, new Map<string, Tally>()]));
for (const size of SIZES)
  for (const seed of SEEDS) {
    const questions = questionsOf(size, seed, COUNT);
    for (const [name, system] of systems) {
      const lost = (
        query: { kind: string; text: string; target: { title: string } },
        found: readonly string[],
      ) => {
        if (!process.env['LOST'] || name !== 'Key Fold') return;
        const title = questions.items.find(({ id }) => id === found[0])?.title;
        const { fitting } = query as unknown as { fitting: ReadonlySet<string> };
        if (!fitting.has(found[0] ?? '') || process.env['LOST'] === 'all')
          console.log(size, query.kind, '|', query.text, '|', query.target.title, '|', title);
      };
      judge(system(questions.items), questions, tallies.get(name) ?? new Map<string, Tally>(), lost);
    }
  }

const [first] = tallies.values();
for (const [kind, { byLot: lots, n }] of first ?? []) byLot.set(kind, lots / n);
printTable(
  'First / nothing found / something unrelated above, %',
  [...byLot].map(([kind, lots]) => ({
    kind,
    'by lot': percent(lots),
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
printTable(
  'Letters of a title until it is first, most recently used oftenest',
  SIZES.map((size) => {
    const means = SEEDS.map((seed) => {
      const { items, positions, meant } = usedItems(size, seed, 500);
      const find = searchOf(catalogueOfItems(items, positions));
      return (
        meant.reduce((sum, item) => sum + lettersUntilFirst((letters) => find(letters, ''), item), 0) /
        meant.length
      );
    });
    return { entries: size, letters: Number((means.reduce((a, b) => a + b) / means.length).toFixed(2)) };
  }),
);
