import { STACK_DEPTH } from '../../model/limits';
import type { Slice } from '../slice';
import type { PutAwayEvents } from './events';
import type { PutAwayState } from './state';

/** What can be put back (switching rule 16). */
export const putAway: Slice<PutAwayState, PutAwayEvents, object, object> = {
  name: 'put-away',
  initial: { putAways: [] },
  on: {
    'put-away': ({ putAways }, { entry }) => ({ putAways: [...putAways, entry].slice(-STACK_DEPTH) }),
    'put-back': ({ putAways }, { entries }) => {
      const back = new Set(entries);
      return { putAways: putAways.filter(({ id }) => !back.has(id)) };
    },
    'put-back-levels': ({ putAways }, { levels }) => ({
      putAways: putAways.slice(0, putAways.length - levels),
    }),
  },
};
