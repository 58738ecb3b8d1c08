import anyAscii from 'any-ascii';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import latinLetters from './latin-letters.json';
import { fold, originsOf, placedWordsOf, spellingsOf, typedSpellingsOf, wordsOf } from './letters';

describe('letters are compared', () => {
  it.each([
    ['case and accents do not count', 'ÉCLUSE Hôtel', 'ecluse hotel'],
    ['nor how accents are put on', 'e\u0301cluse', 'ecluse'],
    [
      'letters that Latin scripts made of others',
      'Weißhaupt Ølhandel Łódź æther',
      'weisshaupt olhandel lodz aether',
    ],
    ['the final sigma is a sigma', 'Σταύρος', 'σταυροσ'],
    ['Cyrillic stays', 'Отчёт', 'отчет'],
    ['Arabic without points and strokes', 'قَامُـوس إلى مدينة', 'قاموس الي مدينه'],
    ['apostrophes are left out', "harbour's d’été", 'harbours dete'],
    ['full-width letters are letters', 'ＴＩＤＥ', 'tide'],
  ])('%s', (_, text, folded) => expect(fold(text)).toBe(folded));

  // DIN 5007-2 (names, "phone book") writes ä, ö, ü as ae, oe, ue; ISO 843 is the romanisation of Greek.
  it.each([
    ['Größe', ['grosse', 'groesse']],
    ['Købmandsgård', ['kobmandsgard', 'koebmandsgaard']],
    ['Καθρέφτης', ['καθρεφτησ', 'kathreftis']],
    ['Чайка', ['чаика', 'chaika', 'chayka']],
    ['Щука', ['щука', 'shchuka']],
    ['tide', ['tide']],
  ])('%s in all its spellings', (text, spellings) => expect(spellingsOf(text)).toEqual(spellings));

  it('what is typed means its own script, and umlauts perhaps two letters', () => {
    expect(typedSpellingsOf('müll')).toEqual(['mull', 'muell']);
    expect(typedSpellingsOf('λογ')).toEqual(['λογ']);
  });

  it('by AnyAscii’s table, letter by letter (npm: any-ascii)', () => {
    const table: Readonly<Record<string, string>> = latinLetters;
    expect(Object.keys(table).length).toBeGreaterThan(200);
    for (const [letter, latin] of Object.entries(table))
      expect(latin).toBe(anyAscii(letter).replace(/[^a-z]/g, ''));
    const alphabets = 'αβγδεζηθικλμνξοπρσςτυφχψω абвгдежзийклмнопрстуфхцчшщъыьэюя ßæøœłđðþı';
    for (const letter of alphabets.replaceAll(' ', '')) expect(table).toHaveProperty(letter);
  });
});

describe('words', () => {
  it.each([
    ['To Bell of Orra — water', ['To', 'Bell', 'of', 'Orra', 'water']],
    ['indexFile: v2.1_draft', ['index', 'File', 'v2', '1', 'draft']],
    ['XML öffneDich', ['XML', 'öffne', 'Dich']],
    ['Harbour’s d’été', ['Harbour’s', 'd', 'été']],
    ['דוח חודשי', ['דוח', 'חודשי']],
    ['港湾事務所', ['港湾事務所']],
    ['— # \u0000 \ud800 \u0301', []],
  ])('of %s', (text, words) => expect(wordsOf(text)).toEqual(words));

  it('stand where they say', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), (text) => {
        const placed = placedWordsOf(text);
        expect(placed.map((word) => word.text)).toEqual(wordsOf(text));
        for (const { text: word, from } of placed) expect(text.startsWith(word, from)).toBe(true);
      }),
    );
  });
});

describe('the origins of letters', () => {
  it('are found for every spelling, with the marks that belong to them', () => {
    expect(originsOf('Su\u0308ß', 'suess')).toEqual([
      { from: 0, to: 1 },
      { from: 1, to: 3 },
      { from: 1, to: 3 },
      { from: 3, to: 4 },
      { from: 3, to: 4 },
    ]);
    expect(originsOf('Süß', 'sauer')).toBeNull();
  });

  it('are one for each letter, in their order', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme' }), (text) => {
        for (const spelling of spellingsOf(text)) {
          const origins = originsOf(text, spelling) ?? [];
          expect(origins).toHaveLength(spelling.length);
          for (const [n, { from }] of origins.entries())
            expect(from).toBeGreaterThanOrEqual(origins[n - 1]?.from ?? 0);
        }
      }),
    );
  });
});
