import { csvParseRows } from 'd3-dsv';
import type { Manifest } from '../manifest';

/** CSV (RFC 4180) with a header. */
export const table: Manifest = {
  kind: 'table',
  name: 'Table',
  problem: () => null,
  actions: [
    {
      id: 'count-rows',
      title: 'Count the rows',
      synonyms: ['how many rows', 'lines'],
      run: (text) => {
        const count = Math.max(0, csvParseRows(text).length - 1);
        return count === 1 ? '1 row' : `${count} rows`;
      },
    },
  ],
};
