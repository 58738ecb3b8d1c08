import type { Slice } from '../slice';
import type { HostEvents } from './events';
import type { HostState } from './state';

/** Which host a session has: simulated or live from the beginning, and whether a live one is there. */
export const host: Slice<HostState, HostEvents, object, object> = {
  name: 'host',
  initial: { host: { kind: 'simulated' } },
  on: {
    'host-came': (_before, event) => ({ host: { kind: 'live', ...event.host } }),
    'host-went': ({ host: before }, { at }) =>
      before.kind === 'live' && before.awaySince === undefined ? { host: { ...before, awaySince: at } } : {},
    'applications-found': () => ({}),
  },
};
