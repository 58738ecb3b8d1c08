import type { WishType } from '../../lib/core/commands/commands';
import { EVENTS, type XConnection } from './x-connection';

/** A window manager that keeps the Extended Window Manager Hints (EWMH 1.5). */
export interface Manager {
  /** The window by which it shows that it is there. */
  readonly check: number;
  readonly name: string;
  /** The hints it keeps. */
  readonly supports: ReadonlySet<string>;
}

/** The manager that runs; null if none does: its property can outlive it, its window cannot. */
export async function runningManager(connection: XConnection): Promise<Manager | null> {
  const check = await connection.number(connection.root, '_NET_SUPPORTING_WM_CHECK');
  if (!check) return null;
  // It may say so on its own window a moment later: then that is heard.
  connection.client.ChangeWindowAttributes(check, {
    eventMask: EVENTS.PropertyChange | EVENTS.StructureNotify,
  });
  if ((await connection.number(check, '_NET_SUPPORTING_WM_CHECK')) !== check) return null;
  const [name, supported] = await Promise.all([
    connection.text(check, '_NET_WM_NAME'),
    connection.atomNames(connection.root, '_NET_SUPPORTED'),
  ]);
  return { check, name: name ?? 'a window manager without a name', supports: new Set(supported) };
}

/** Wishes, and the hints without which a manager does not do them. */
const NEEDS: readonly (readonly [hints: readonly string[], wishes: readonly WishType[]])[] = [
  [['_NET_ACTIVE_WINDOW'], ['bring-to-front', 'switch-to-application', 'walk-to']],
  // What is minimised comes back by being made active; ICCCM has no other way for a third party.
  [
    ['_NET_ACTIVE_WINDOW', '_NET_WM_STATE_HIDDEN'],
    ['minimise', 'minimise-all', 'restore-all', 'hide', 'show', 'solo', 'sweep', 'put-back'],
  ],
  [['_NET_MOVERESIZE_WINDOW'], ['place-window', 'pair']],
  [['_NET_CURRENT_DESKTOP'], ['enter-workspace']],
  [['_NET_WM_DESKTOP'], ['carry-window', 'carry-application']],
  [['_NET_DESKTOP_NAMES'], ['rename-workspace']],
  // By ICCCM alone, or by the system.
  [[], ['close', 'close-all', 'quit', 'end-now', 'open-window']],
];

/** What can be wished of a display with this manager. */
export const abilitiesWith = ({ supports }: Manager): WishType[] =>
  NEEDS.flatMap(([hints, wishes]) => (hints.every((hint) => supports.has(hint)) ? wishes : []));

/** The hints that a manager lacks for something to be offered. */
export const lackingOf = ({ supports }: Manager): string[] => [
  ...new Set(NEEDS.flatMap(([hints]) => hints.filter((hint) => !supports.has(hint)))),
];
