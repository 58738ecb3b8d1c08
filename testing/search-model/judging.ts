/** How good a search is at queries of the model. */
import { Random } from '../random';
import { itemsOf, type Item } from './entries';
import { queriesOf, SHARES, wordingOf, type Query, type Wording } from './queries';

/** Gives the ids of what letters find, best first; `kind` is the kind of query, for those who must know the keyboard. */
export type Find = (letters: string, kind: string) => readonly string[];
/** Makes a search of some items. */
export type System = (items: readonly Item[]) => Find;

/** How often it went how, of `n` queries. */
export interface Tally {
  n: number;
  first: number;
  amongThree: number;
  nothing: number;
  /** Something that the letters do not explain stood above. */
  unrelatedAbove: number;
  /** The most that could be first, by lot among all that the letters explain. */
  byLot: number;
}
const EMPTY: Tally = { n: 0, first: 0, amongThree: 0, nothing: 0, unrelatedAbove: 0, byLot: 0 };

/** A query, and the ids of all that its letters explain as they do its target. */
export interface Question extends Query {
  readonly fitting: ReadonlySet<string>;
}

/** The queries of one set of items. */
export interface Questions {
  readonly items: readonly Item[];
  readonly queries: readonly Question[];
}

/** Up to `count` queries of each kind about `size` items. */
export function questionsOf(size: number, seed: number, count: number): Questions {
  const items = itemsOf(size, seed);
  const wordings = items.map(wordingOf);
  const fitting = (fits: (other: Wording) => boolean) =>
    new Set(wordings.filter(fits).map(({ item }) => item.id));
  const queries = queriesOf(wordings, new Random(seed * 1_000 + size), count).map((query) => ({
    ...query,
    fitting: fitting(query.fits),
  }));
  return { items, queries };
}

/** Adds up how a search does, by kind of query; `lost` hears of each query whose target was not first. */
export function judge(
  find: Find,
  { queries }: Questions,
  tallies: Map<string, Tally>,
  lost: (query: Question, found: readonly string[]) => void = () => undefined,
): void {
  for (const query of queries) {
    const found = find(query.text, query.kind);
    const at = found.indexOf(query.target.id);
    const above = at === -1 ? found : found.slice(0, at);
    const tally = tallies.get(query.kind) ?? { ...EMPTY };
    tallies.set(query.kind, tally);
    tally.n += 1;
    tally.byLot += 1 / query.fitting.size;
    if (at === 0) tally.first += 1;
    else lost(query, found);
    if (at >= 0 && at < 3) tally.amongThree += 1;
    if (at === -1) tally.nothing += 1;
    if (above.some((id) => !query.fitting.has(id))) tally.unrelatedAbove += 1;
  }
}

/** The share of a count over all kinds, each weighed by how often it is typed. */
export function weighed(tallies: ReadonlyMap<string, Tally>, count: keyof Tally): number {
  let sum = 0;
  let shares = 0;
  for (const [kind, tally] of tallies) {
    const share = SHARES.get(kind) ?? 0;
    sum += (share * tally[count]) / tally.n;
    shares += share;
  }
  return sum / shares;
}
