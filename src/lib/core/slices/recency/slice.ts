import { idsOf, isPermutation, toEnd, toHead, used, without } from '../../model/order';
import { idsIn } from '../../model/table';
import type { ApplicationEvents } from '../applications/events';
import type { ApplicationsState } from '../applications/state';
import type { FrontEvents } from '../front/events';
import type { FrontState } from '../front/state';
import { unless, type Slice } from '../slice';
import type { WindowEvents } from '../windows/events';
import { windowOf } from '../windows/selectors';
import type { WindowsState } from '../windows/state';
import type { RecencyEvents } from './events';
import { passedOver } from './selectors';
import type { RecencyState } from './state';

type Heard = Pick<FrontEvents, 'window-fronted'> &
  Pick<WindowEvents, 'windows-opened' | 'windows-closed' | 'window-joined'> &
  Pick<ApplicationEvents, 'application-launched' | 'application-ended'>;

type Reads = WindowsState & ApplicationsState & FrontState;

/** The orders of recent use: only coming to the front moves anything (switching rules 1 to 3). */
export const recency: Slice<RecencyState, RecencyEvents, Heard, Reads> = {
  name: 'recency',
  initial: { recent: { applications: [], windows: [] } },
  own: { 'window-used': 'when-settled', 'window-passed': 'when-settled' },
  on: {
    'window-fronted': (before, { window, at }) => ({
      recent: {
        windows: toHead(before.recent.windows, window, at),
        applications: toHead(before.recent.applications, windowOf(before, window).application, at),
      },
    }),
    'window-used': (before, { window, at }) => ({
      recent: {
        windows: used(before.recent.windows, window, at),
        applications: used(before.recent.applications, windowOf(before, window).application, at),
      },
    }),
    // Told late, it may be about what has come to the front again.
    'window-passed': (before, { pass }) =>
      pass.window === before.front ? {} : { recent: { ...before.recent, windows: passedOver(before, pass) } },
    'windows-opened': ({ recent }, { windows }) => ({
      recent: { ...recent, windows: [...recent.windows, ...windows.map(({ id }) => ({ id, at: null }))] },
    }),
    'windows-closed': ({ recent }, { windows }) => {
      const gone = new Set(windows);
      return { recent: { ...recent, windows: recent.windows.filter(({ id }) => !gone.has(id)) } };
    },
    'window-joined': ({ recent }, { window }) => ({
      recent: { ...recent, windows: without(recent.windows, window) },
    }),
    'application-launched': ({ recent }, { application }) => ({
      recent: { ...recent, applications: toEnd(recent.applications, application) },
    }),
    'application-ended': (before, { application }) => ({
      recent: {
        applications: without(before.recent.applications, application),
        windows: before.recent.windows.filter(({ id }) => windowOf(before, id).application !== application),
      },
    }),
  },
  problems: ({ recent, applications, windows }) => {
    const running = applications.filter((application) => application.running);
    return [
      ...unless(
        isPermutation(idsOf(recent.applications), idsIn(running)),
        ['recent', 'applications'],
        'must list what runs, once each',
      ),
      ...unless(
        isPermutation(idsOf(recent.windows), idsIn(windows)),
        ['recent', 'windows'],
        'must list every window once',
      ),
    ];
  },
};
