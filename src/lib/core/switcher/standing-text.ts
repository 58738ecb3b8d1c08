import type { Standing } from './standing';

const listed = new Intl.ListFormat('en-GB', { type: 'conjunction' });

/**
 * A state in a few words, for the narrow end of a row, and for search to find things by.
 * @example standingText({ type: 'minimised', titles: ['a1', 'a2'], all: true }) // 'both minimised'
 */
export function standingText(standing: Standing): string {
  switch (standing.type) {
    case 'hidden':
      return 'hidden';
    case 'no-windows':
      return 'no windows';
    case 'not-answering':
      return 'not responding';
    case 'quitting':
      return 'quitting';
    case 'asking':
      return standing.titles.length === 1 ? 'needs an answer' : `${standing.titles.length} need an answer`;
    case 'unsaved':
      return standing.titles.length === 1 ? 'unsaved' : `${standing.titles.length} unsaved`;
    case 'minimised':
      if (standing.all)
        return (
          ['', 'minimised', 'both minimised'][standing.titles.length] ??
          `all ${standing.titles.length} minimised`
        );
      return `${standing.titles.length} minimised`;
    case 'elsewhere':
      return `${standing.all ? '' : 'some '}on ${listed.format(standing.workspaces)}`;
    case 'offering-draft':
      return 'draft kept';
    case 'new':
      return 'new';
  }
}
