import type { Manifest } from '../manifest';

/** Plain text: a line a sum, as `name = 2 * (3 + 4) # what it is`. */
export const sums: Manifest = {
  kind: 'sums',
  name: 'Sums',
  problem: () => null,
  writes: true,
  keys: [{ code: 'KeyS', what: 'saves the sums' }],
  actions: [
    {
      id: 'new',
      title: 'New sheet of sums',
      synonyms: ['calculate', 'reckon', 'arithmetic'],
      makes: true,
      run: () => ({ says: 'A new sheet', makes: { title: 'New sums', text: '' } }),
    },
  ],
};
