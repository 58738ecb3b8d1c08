import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { catalogueOfCandidates, NEWCOMER, titled } from '../../../../testing/candidates';
import { markedFound, type MarkedText } from './marks';
import { search } from './search';

const bracketed = ({ text, marks }: MarkedText): string =>
  marks.reduceRight(
    (text, { from, to }) => `${text.slice(0, from)}[${text.slice(from, to)}]${text.slice(to)}`,
    text,
  );

/** The first that letters find, with brackets around what is marked. */
function marked(letters: string, title: string, detail = '', also: readonly string[] = []): string {
  const [found] = search(catalogueOfCandidates([titled(title, { detail, also })]), letters, NEWCOMER);
  if (!found) return '';
  const result = markedFound(found);
  return [result.title, ...result.beside].map(bracketed).join(' | ');
}

describe('what matched is marked', () => {
  it.each([
    ['a word', 'sill', 'Lock Sill', 'Lock [Sill]'],
    ['word starts', 'si lo', 'Lock Sill', '[Lo]ck [Si]ll'],
    ['initials', 'ukc', 'Under-keel clearance', '[U]nder-[k]eel [c]learance'],
    ['words run together', 'locksi', 'Lock Sill', '[Lock] [Si]ll'],
    ['starts run together', 'losi', 'Lock Sill', '[Lo]ck [Si]ll'],
    ['consonants', 'brt', 'Berths', '[B]e[rt]hs'],
    ['consonants with a y', 'qys', 'Quays', '[Q]ua[ys]'],
    ['a fragment', 'ill', 'Pencilling', 'Penc[ill]ing'],
    ['letters within a word', 'ili', 'Pencilling', 'Penc[il]l[i]ng'],
    ['one word typed as two', 'time tab', 'Timetable', '[Timetab]le'],
    ['what was meant by a slip', 'staack', 'Stack trace', '[Stack] trace'],
    ['two words without their blank', 'sillock', 'Lock Sill', '[Lock] [Sil]l'],
    ['scattered letters', 'lksl', 'Lock Sill', '[L]oc[k] [S]i[l]l'],
    ['letters of others', 'weissh', 'Weißhaupt', '[Weißh]aupt'],
    ['umlauts as two letters', 'groess', 'Die Größe', 'Die [Größ]e'],
    ['Greek by Latin letters', 'kath', 'Καθρέφτης', '[Καθ]ρέφτης'],
    ['Cyrillic by Latin letters', 'chert', 'Чертёж насоса', '[Черт]ёж насоса'],
    ['letters with their marks', 'ecl', 'E\u0301cluse', '[E\u0301cl]use'],
    ['writing from right to left', 'דו', 'דוח חודשי', '[דו]ח חודשי'],
  ])('%s', (_, letters, title, result) => expect(marked(letters, title)).toBe(result));

  it('beside the title, which says no more than it must', () => {
    expect(marked('lock', 'Lock Sill', 'Tides', ['unsaved'])).toBe('[Lock] Sill | Tides');
    expect(marked('tid lock', 'Lock Sill', 'Tides')).toBe('[Lock] Sill | [Tid]es');
    expect(marked('unsav', 'Lock Sill', 'Tides', ['hidden', 'unsaved'])).toBe(
      'Lock Sill | Tides | [unsav]ed',
    );
    expect(marked('tides', 'Tides at the lock', 'Tides')).toBe('[Tides] at the lock | Tides');
    expect(marked('—', 'To Bell — water')).toBe('To Bell — water');
  });

  it('within the text and in order, whatever is found', () => {
    const text = fc.string({ unit: fc.constantFrom(...'abeiß ü-é.Σω'), minLength: 1, maxLength: 12 });
    fc.assert(
      fc.property(text, text, text, (letters, title, detail) => {
        const [found] = search(catalogueOfCandidates([titled(title, { detail })]), letters, NEWCOMER);
        fc.pre(found !== undefined && found.kind !== 'fragment');
        const { title: first, beside } = markedFound(found);
        const all = [first, ...beside];
        expect(all.flatMap(({ marks }) => marks).length).toBeGreaterThan(0);
        for (const { text, marks } of all)
          for (const [n, { from, to }] of marks.entries()) {
            expect(from).toBeGreaterThan(marks[n - 1]?.to ?? -1);
            expect(to).toBeGreaterThan(from);
            expect(to).toBeLessThanOrEqual(text.length);
          }
      }),
    );
  });
});
