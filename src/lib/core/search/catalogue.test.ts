import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { catalogueOfTitles, NEWCOMER, titled } from '../../../../testing/candidates';
import { Catalogue } from './catalogue';
import { queriesOf } from './query';
import { search } from './search';

const word = fc.constantFrom('lock', 'sill', 'north', 'quay', 'Größe', 'log', 'tide', 'to', 'v2.1');
const title = fc.array(word, { minLength: 1, maxLength: 4 }).map((words) => words.join(' '));
const letters = fc.constantFrom('l', 'lo', 'lok', 'q', 'lo si', 'groes', 'nq', 'tdie', 'ide', 'lk', '2');
const found = (catalogue: Catalogue, letters: string) =>
  search(catalogue, letters, NEWCOMER).map(({ candidate, kind }) => [candidate.key, candidate.title, kind]);

describe('a catalogue', () => {
  it('that candidates come to and go from, one by one, finds what one made anew does', () => {
    const change = fc.record({ key: fc.nat(7), title: fc.option(title), position: fc.nat(5), letters });
    fc.assert(
      fc.property(fc.array(change, { maxLength: 25 }), (changes) => {
        const catalogue = new Catalogue();
        const now = new Map<string, { title: string; position: number }>();
        for (const { key: n, title, position, letters } of changes) {
          const key = `k${n}`;
          if (title === null) {
            now.delete(key);
            catalogue.remove(key);
          } else {
            now.set(key, { title, position });
            catalogue.put(titled(title, { key, learnedAs: title }), position);
          }
          const anew = new Catalogue();
          for (const [key, { title, position }] of now)
            anew.put(titled(title, { key, learnedAs: title }), position);
          expect(found(catalogue, letters)).toEqual(found(anew, letters));
          expect(catalogue.size).toBe(now.size);
          for (const { title } of now.values())
            expect(
              catalogue
                .learnedAs(title)
                .map(({ key }) => key)
                .sort(),
            ).toEqual(
              anew
                .learnedAs(title)
                .map(({ key }) => key)
                .sort(),
            );
        }
      }),
    );
  });

  it('finds the same whatever was typed before, letter by letter, erased or typed anew', () => {
    const typing = fc.array(fc.string({ unit: fc.constantFrom(...'loqsi tü#2'), maxLength: 6 }), {
      maxLength: 12,
    });
    fc.assert(
      fc.property(fc.array(title, { minLength: 1, maxLength: 12 }), typing, (titles, typed) => {
        const catalogue = catalogueOfTitles(titles);
        for (const letters of typed.flatMap((text) => Array.from(text, (_, n) => text.slice(0, n + 1))))
          expect(found(catalogue, letters)).toEqual(found(catalogueOfTitles(titles), letters));
      }),
    );
  });

  it('goes through what was left alone for every further letter, and through nothing for an erased one', () => {
    const catalogue = catalogueOfTitles(['lock sill', 'log', 'quay lock', 'oil']);
    const rows = (typed: string) => {
      const [query] = queriesOf(typed);
      return query && catalogue.rowsWith(query);
    };
    const [l, lo, loc] = [rows('l'), rows('lo'), rows('loc')];
    expect([l, lo, loc]).toEqual([
      [0, 1, 2, 3],
      [0, 1, 2],
      [0, 2],
    ]);
    expect(rows('lo')).toBe(lo);
    expect(rows('l')).toBe(l);
    expect(rows('lo')).not.toBe(lo);
    catalogue.put(titled('loop'), 0);
    expect(rows('l')).toEqual([0, 1, 2, 3, 4]);
  });

  it('puts an entry elsewhere in the order of use without looking at its texts again', () => {
    const catalogue = catalogueOfTitles(['quay a', 'quay b']);
    expect(found(catalogue, 'quay')[0]?.[1]).toBe('quay a');
    catalogue.move('document:1', 0);
    catalogue.move('document:0', 1);
    expect(found(catalogue, 'quay')[0]?.[1]).toBe('quay b');
    const entry = catalogue.entry(0);
    catalogue.put(entry.candidate, 5);
    expect(catalogue.entry(0)).toBe(entry);
    expect(entry.position).toBe(5);
  });
});
