/** How a display is, in the words of what is told to the server. */
import type { Told, ToldApplication, ToldTabs, ToldWindow, ToldWorkspace } from '../../lib/core/display/told';
import type { ApplicationId } from '../../lib/core/model/ids';
import { isListed, type XWindow } from './read-window';

/** How programs are called, and which a window belongs to. */
export interface Programs {
  applicationOf(window: Pick<XWindow, 'instance' | 'className' | 'xid'>): ToldApplication;
  /** Whether a program is one of these, by the names of their files. */
  runs(id: string, names: readonly string[]): boolean;
  /** Those that can be launched. */
  launchable(): readonly ToldApplication[];
}

/** What of a display is told. */
export interface DisplayState {
  /** The windows that people switch to, and others; by their number at the server. */
  readonly windows: ReadonlyMap<number, XWindow>;
  /** All windows from the bottom of the pile to the top. */
  readonly stacking: readonly number[];
  /** The window that has the keys, though it may not be among those that are listed. */
  readonly active: number | null;
  readonly desktop: number;
  readonly workspaces: readonly ToldWorkspace[];
  readonly programs: Programs;
  isAnswering(xid: number): boolean;
  tabsOf(xid: number): ToldTabs | undefined;
}

/** What is told of a display, without a cause. */
export type Telling = Omit<Told, 'type' | 'cause'>;

/** The id of the desktop with this number. */
export const workspaceId = (desktop: number): string => `ws-${desktop + 1}`;

/** Everything as it is, programs that do not run included. */
export function snapshotOf(display: DisplayState): Telling {
  // The topmost first.
  const { applications = [], windows } = told(display, pileOf(display).toReversed());
  const all = new Map([...display.programs.launchable(), ...applications].map((one) => [one.id, one]));
  return {
    ...workspacesOf(display),
    applications: [...all.values()],
    windows,
    whole: true,
    ...orderOf(display),
  };
}

/** The workspaces, and which one is shown. */
export const workspacesOf = ({
  workspaces,
  desktop,
}: DisplayState): Pick<Telling, 'workspaces' | 'workspace'> => ({
  workspaces,
  workspace: workspaceId(desktop),
});

/** Some of the windows, with their applications; nothing if none of them is listed. */
export function windowsOf(display: DisplayState, xids: Iterable<number>): Telling {
  const windows = [...xids].flatMap((xid) => display.windows.get(xid) ?? []).filter(isListed);
  return windows.length > 0 ? told(display, windows) : {};
}

/** The id of the window that has the keys, if it is one of those that are listed. */
export function frontOf({ active, windows }: DisplayState): string | null {
  const window = active === null ? undefined : windows.get(active);
  return window && isListed(window) ? window.id : null;
}

/** What is in front, and the pile as it is with that: told together, so that neither is about another moment. */
export const orderOf = (display: DisplayState): Pick<Telling, 'front' | 'stacking'> => ({
  front: frontOf(display),
  stacking: pileOf(display).map(({ id }) => id),
});

/** The windows that people switch to. */
export const listedOf = ({ windows }: DisplayState): XWindow[] => [...windows.values()].filter(isListed);

/** The processes that the windows of each program belong to. */
export function programRoots(display: DisplayState): ReadonlyMap<ApplicationId, readonly number[]> {
  const roots = new Map<ApplicationId, number[]>();
  for (const window of listedOf(display)) {
    if (window.pid === null) continue;
    const { id } = display.programs.applicationOf(window);
    roots.set(id, [...(roots.get(id) ?? []), window.pid]);
  }
  return roots;
}

/** The same, bottom first; what the manager says nothing of lies at the bottom. */
export function pileOf(display: DisplayState): XWindow[] {
  const at = new Map(display.stacking.map((xid, n) => [xid, n]));
  return listedOf(display).toSorted((a, b) => (at.get(a.xid) ?? -1) - (at.get(b.xid) ?? -1));
}

function told(display: DisplayState, windows: readonly XWindow[]): Pick<Told, 'applications' | 'windows'> {
  const applications = windows.map((window) => display.programs.applicationOf(window));
  return {
    applications: [...new Map(applications.map((one) => [one.id, one])).values()],
    windows: windows.map((window) => toldWindow(display, window)),
  };
}

function toldWindow(display: DisplayState, window: XWindow): ToldWindow {
  const { xid, id, title, minimised, mark, maximised, desktop, geometry } = window;
  const tabs = display.tabsOf(xid);
  return {
    id,
    application: display.programs.applicationOf(window).id,
    title,
    minimised: minimised && mark !== 'shown',
    hidden: minimised && mark !== null,
    maximised,
    workspace: desktop === null ? null : workspaceId(desktop),
    geometry,
    answering: display.isAnswering(xid),
    ...(tabs && { tabs }),
  };
}
