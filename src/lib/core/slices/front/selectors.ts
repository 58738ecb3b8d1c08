import type { ApplicationId, WindowId } from '../../model/ids';
import { windowOf } from '../windows/selectors';
import type { WindowsState } from '../windows/state';
import type { FrontState } from './state';

/** The application of the front window, null when nothing is in front. */
export const frontApplication = (session: FrontState & WindowsState): ApplicationId | null =>
  session.front === null ? null : windowOf(session, session.front).application;

/** The stacking with some windows above all others, in the order they had; the same one if it is so already. */
export function raised(stacking: readonly WindowId[], windows: readonly WindowId[]): readonly WindowId[] {
  const [only, another] = windows;
  if (only === undefined || (another === undefined && stacking.at(-1) === only)) return stacking;
  const above = new Set(windows);
  return [...stacking.filter((id) => !above.has(id)), ...stacking.filter((id) => above.has(id))];
}
