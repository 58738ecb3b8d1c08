import type { Manifest } from '../manifest';
import { rowsOf, rowsText } from './rows';

/** CSV (RFC 4180) with a header. */
export const table: Manifest = {
  kind: 'table',
  name: 'Table',
  problem: () => null,
  writes: true,
  keys: [
    { code: 'KeyS', what: 'saves the table' },
    { code: 'KeyF', what: 'filters its rows' },
  ],
  actions: [
    {
      id: 'count-rows',
      title: 'Count the rows',
      synonyms: ['how many rows', 'lines'],
      run: (text) => rowsText(rowsOf(text).body.length),
    },
  ],
};
