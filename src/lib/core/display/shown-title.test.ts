import { expect, it } from 'vitest';
import { LONGEST_TITLE } from '../model/limits';
import { shownTitle } from './shown-title';

it.each([
  ['Log book', 'Log book'],
  ['  two\r\nlines\tand\u2028three ', 'two lines and three'],
  ['\u202Eexe.txt\u202C \u2066a\u2069', 'exe.txt a'],
  // Marks that say something of their neighbours alone stay (UAX #9, 2.6).
  ['a\u200Fb', 'a\u200Fb'],
  ['<b>Quay</b>', '<b>Quay</b>'],
  ['\uD800 half', '\uFFFD half'],
  ['', ''],
])('%j is shown as %j', (title, shown) => expect(shownTitle(title)).toBe(shown));

it('is cut between letters as people see them', () => {
  const family = '👩‍👩‍👧‍👦';
  const cut = shownTitle(family.repeat(50));
  expect(cut.length).toBeLessThanOrEqual(LONGEST_TITLE);
  expect(cut.replaceAll(family, '')).toBe('…');
  expect(shownTitle('a'.repeat(LONGEST_TITLE))).toHaveLength(LONGEST_TITLE);
  expect(shownTitle('a'.repeat(5_000))).toBe(`${'a'.repeat(LONGEST_TITLE - 1)}…`);
  // One letter with more marks than a title has room for.
  expect(shownTitle(`e${'\u0301'.repeat(5_000)}`).length).toBeLessThanOrEqual(LONGEST_TITLE);
});
