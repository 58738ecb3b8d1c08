/** Key Fold's search, and general-purpose packages, each of which makes itself ready for items. */
import UFuzzy from '@leeoniya/ufuzzy';
import Fuse from 'fuse.js';
import fuzzysort from 'fuzzysort';
import MiniSearch from 'minisearch';
import { Catalogue } from '../../src/lib/core/search/catalogue';
import { neighboursOn, type Neighbours } from '../../src/lib/core/search/keyboard';
import { MOST_RESULTS, search } from '../../src/lib/core/search/search';
import { candidateOf, type Item } from './entries';
import type { System } from './judging';

const AT = '2026-11-24T06:12:00.000Z';

const QWERTY = neighboursOn((code) => (code.startsWith('Key') ? code.slice(-1).toLowerCase() : null));
const QWERTZ = neighboursOn((code) => {
  const letter = code.startsWith('Key') ? code.slice(-1).toLowerCase() : null;
  return letter === 'y' ? 'z' : letter === 'z' ? 'y' : letter;
});
/** The keyboard on which a kind of query is typed. */
const keyboardOf = (kind: string): Neighbours => (kind.includes('qwertz') ? QWERTZ : QWERTY);

/** A catalogue of items, with their positions in the order of recent use. */
export function catalogueOfItems(items: readonly Item[], positions?: ReadonlyMap<string, number>): Catalogue {
  const catalogue = new Catalogue();
  for (const item of items) catalogue.put(candidateOf(item), positions?.get(item.id) ?? Infinity);
  return catalogue;
}

/** Key Fold's search of a catalogue, nothing learned. */
export const searchOf =
  (catalogue: Catalogue): ReturnType<System> =>
  (letters, kind) =>
    search(catalogue, letters, { learned: [], neighbours: keyboardOf(kind), at: AT }).map(
      ({ candidate }) => candidate.key,
    );

const textOf = ({ title, detail }: Item) => (detail === '' ? title : `${title} · ${detail}`);

export const SYSTEMS: Readonly<Record<string, System>> = {
  'Key Fold': (items) => searchOf(catalogueOfItems(items)),
  fuzzysort: (items) => {
    const snapshot = fuzzysort.snapshot(
      items.map((item) => ({ item, text: fuzzysort.prepare(textOf(item)) })),
      { key: 'text' },
    );
    return (letters) =>
      fuzzysort.go(letters, snapshot, { limit: MOST_RESULTS, threshold: 0.2 }).map(({ obj }) => obj.item.id);
  },
  uFuzzy: (items) => {
    const texts = UFuzzy.latinize(items.map(textOf));
    const ufuzzy = new UFuzzy({
      intraMode: 1,
      unicode: true,
      interSplit: "[^\\p{L}\\d']+",
      intraChars: "[\\p{L}\\d']",
    });
    return (letters) => {
      const [found, info, order] = ufuzzy.search(texts, UFuzzy.latinize(letters), 1);
      const rows = info && order ? order.map((n) => info.idx[n]) : (found ?? []);
      return rows.slice(0, MOST_RESULTS).map((row) => items[row ?? -1]?.id ?? '');
    };
  },
  'Fuse.js': (items) => {
    const keys = ['title', { name: 'detail', weight: 0.5 }];
    const fuse = new Fuse([...items], { keys, ignoreLocation: true, threshold: 0.4, ignoreDiacritics: true });
    return (letters) => fuse.search(letters, { limit: MOST_RESULTS }).map(({ item }) => item.id);
  },
  MiniSearch: (items) => {
    const processTerm = (term: string) => term.toLowerCase().normalize('NFD').replace(/\p{M}/gu, '');
    const searchOptions = { prefix: true, fuzzy: 0.25, combineWith: 'AND', boost: { title: 2 } } as const;
    const index = new MiniSearch<Item>({ fields: ['title', 'detail'], processTerm, searchOptions });
    index.addAll(items);
    return (letters) =>
      index
        .search(letters)
        .slice(0, MOST_RESULTS)
        .map(({ id }) => String(id));
  },
};
