import { isPermutation } from '../../model/order';
import { idsIn } from '../../model/table';
import type { ApplicationEvents } from '../applications/events';
import { unless, type Slice } from '../slice';
import type { WindowEvents } from '../windows/events';
import { windowOf } from '../windows/selectors';
import type { WindowsState } from '../windows/state';
import type { FrontEvents } from './events';
import { raised } from './selectors';
import type { FrontState } from './state';

type Heard = Pick<WindowEvents, 'windows-opened' | 'windows-closed' | 'window-joined'> &
  Pick<ApplicationEvents, 'application-ended'>;

/** The front window and the pile. That what cannot be seen is not in front is the session's rule, not this slice's. */
export const front: Slice<FrontState, FrontEvents, Heard, WindowsState> = {
  name: 'front',
  initial: { front: null, stacking: [] },
  on: {
    'window-fronted': ({ stacking }, { window }) => ({ front: window, stacking: raised(stacking, [window]) }),
    'windows-restacked': (_before, { stacking }) => ({ stacking }),
    'windows-opened': ({ stacking }, { windows }) => ({
      stacking: [...idsIn(windows).toReversed(), ...stacking],
    }),
    'windows-closed': ({ stacking }, { windows }) => {
      const gone = new Set(windows);
      return { stacking: stacking.filter((id) => !gone.has(id)) };
    },
    'window-joined': ({ stacking }, { window }) => ({ stacking: stacking.filter((id) => id !== window) }),
    'application-ended': (before, { application }) => ({
      stacking: before.stacking.filter((id) => windowOf(before, id).application !== application),
    }),
  },
  problems: ({ stacking, windows }) =>
    unless(isPermutation(stacking, idsIn(windows)), ['stacking'], 'must list every window once'),
};
