import { expect, it } from 'vitest';
import { contentsOf, paragraphsOf } from './sections';

const BYELAWS =
  'Of tugs.\n\n§ 12 Ships of more than 90 m take one tug.\n\nThis holds at night too.\n\n§ 13a Short.';

it('has a line of contents for each section, by its number and how it begins', () => {
  const paragraphs = paragraphsOf(BYELAWS);
  expect(paragraphs.map(({ number }) => number)).toEqual([null, '§ 12', null, '§ 13a']);
  expect(contentsOf(paragraphs)).toEqual([
    { paragraph: 1, number: '§ 12', begins: 'Ships of more than 90 m …' },
    { paragraph: 3, number: '§ 13a', begins: 'Short.' },
  ]);
});

it('has none where there is only one section, or none', () => {
  expect(contentsOf(paragraphsOf('§ 1 Alone.'))).toEqual([]);
  expect(contentsOf(paragraphsOf('A bulletin.\n \nOutlook.'))).toEqual([]);
  expect(paragraphsOf('  \n\n ')).toEqual([]);
});
