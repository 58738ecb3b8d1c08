import type { ApplicationId, WindowId } from '../../model/ids';
import { windowOf } from '../windows/selectors';
import type { WindowsState } from '../windows/state';
import type { FrontState } from './state';

/** The application of the front window, null when nothing is in front. */
export const frontApplication = (session: FrontState & WindowsState): ApplicationId | null =>
  session.front === null ? null : windowOf(session, session.front).application;

/** The stacking with one window on top; the same one if it lies there. */
export const raised = (stacking: readonly WindowId[], id: WindowId): readonly WindowId[] =>
  stacking.at(-1) === id ? stacking : [...stacking.filter((other) => other !== id), id];
