import type { Slice } from '../slice';
import type { HostState } from './state';

/** Which host a session has. It has it from the beginning. */
export const host: Slice<HostState, object, object, object> = {
  name: 'host',
  initial: { host: { kind: 'simulated' } },
  on: {},
};
