/** A small plan of a display: where its windows are, as on the sheet that shows it. */
import type { Geometry } from '../model/geometry';
import type { WindowId } from '../model/ids';
import { find } from '../model/table';
import { boxOn } from '../placing/placement';
import { isVisible, type Session } from '../session/session';
import type { Application } from '../slices/applications/state';
import { applicationOf } from '../slices/applications/selectors';
import { titleOf, windowOf } from '../slices/windows/selectors';

/** A window on the plan. */
export interface Planned {
  readonly window: WindowId;
  readonly application: Application;
  readonly title: string;
  readonly box: Geometry;
  readonly front: boolean;
}

/** What a plan shows. */
export interface Plan {
  readonly screen: { readonly width: number; readonly height: number };
  /** What can be seen, bottom first. */
  readonly windows: readonly Planned[];
  /** What is minimised on the workspace that is shown, most recent first. */
  readonly minimised: readonly Omit<Planned, 'box' | 'front'>[];
  /** How many windows are on each of the other workspaces that have some. */
  readonly elsewhere: readonly { readonly name: string; readonly windows: number }[];
}

/** How large a screen is of which that was not told, in its pixels. */
const COMMON_SCREEN = { width: 1920, height: 1080 };

/** The screen of a session's display. */
export const screenOf = ({ host }: Session): { readonly width: number; readonly height: number } =>
  (host.kind === 'live' ? host.screen : undefined) ?? COMMON_SCREEN;

/** The plan of a session's display. */
export function planOf(session: Session): Plan {
  const screen = screenOf(session);
  const called = (window: WindowId) => {
    const one = windowOf(session, window);
    return { window, application: applicationOf(session, one.application), title: titleOf(one) };
  };
  const windows = session.stacking
    .filter((id) => isVisible(session, windowOf(session, id)))
    .map((id) => ({
      ...called(id),
      box: boxOn(screen, windowOf(session, id)),
      front: session.front === id,
    }));
  const minimised = session.recent.windows
    .map(({ id }) => id)
    .filter((id) => {
      const one = find(session.windows, id);
      return one?.minimised && one.workspace === session.workspace;
    })
    .map(called);
  const counts = new Map<string, number>();
  for (const { workspace } of session.windows)
    if (workspace !== session.workspace) counts.set(workspace, (counts.get(workspace) ?? 0) + 1);
  const elsewhere = session.workspaces.flatMap(({ id, name }) => {
    const count = counts.get(id);
    return count === undefined ? [] : [{ name, windows: count }];
  });
  return { screen, windows, minimised, elsewhere };
}
