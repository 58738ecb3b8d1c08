import type { Slice } from '../slice';
import type { UnderWayEvents } from './events';
import type { UnderWayState } from './state';

/** What was asked of a live host and is not settled; a host that answers at once never has any. */
export const underWay: Slice<UnderWayState, UnderWayEvents, object, object> = {
  name: 'under-way',
  initial: { underWay: [] },
  own: { 'batch-taken': 'when-taken', 'batch-settled': 'when-settled' },
  on: {
    'batch-taken': ({ underWay }, { batch }) => ({ underWay: [...underWay, batch] }),
    'batch-settled': ({ underWay }, { batch }) => ({ underWay: underWay.filter((id) => id !== batch) }),
  },
};
