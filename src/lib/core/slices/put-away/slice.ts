import { STACK_DEPTH } from '../../model/limits';
import type { Slice } from '../slice';
import type { PutAwayEvents } from './events';
import type { PutAwayState } from './state';

/** What can be put back (switching rule 16). */
export const putAway: Slice<PutAwayState, PutAwayEvents, object, object> = {
  name: 'put-away',
  initial: { putAways: [] },
  own: { 'put-away': 'when-taken', 'put-back': 'when-settled', 'put-back-levels': 'when-settled' },
  on: {
    // On a live host an entry is told when its batch is taken, and foreseen once more on top of that.
    'put-away': ({ putAways }, { entry }) =>
      putAways.some(({ id }) => id === entry.id)
        ? {}
        : { putAways: [...putAways, entry].slice(-STACK_DEPTH) },
    'put-back': ({ putAways }, { entries }) => {
      const back = new Set(entries);
      return { putAways: putAways.filter(({ id }) => !back.has(id)) };
    },
    'put-back-levels': ({ putAways }, { levels }) => ({
      putAways: putAways.slice(0, putAways.length - levels),
    }),
  },
};
