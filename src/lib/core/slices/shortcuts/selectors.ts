import { sameChord, type Chord } from '../../keys/chord';
import type { ApplicationId, WindowId } from '../../model/ids';
import type { KeyChange, OwnKey, Shortcut, ShortcutsState } from './state';

/** Whether a shortcut is in pencil: it goes with its window. */
export const isPencil = ({ aim }: Shortcut): boolean => 'window' in aim;

/** The pencil shortcuts of some windows. */
export const pencilsOf = ({ shortcuts }: ShortcutsState, windows: readonly WindowId[]): Shortcut[] =>
  shortcuts.filter(({ aim }) => 'window' in aim && windows.includes(aim.window));

/** The shortcut with this id; undefined if it is gone. */
export const shortcutOf = ({ shortcuts }: ShortcutsState, id: string): Shortcut | undefined =>
  shortcuts.find((one) => one.id === id);

/** The shortcut, but for one, that has a combination. */
export const shortcutWith = (
  { shortcuts }: Pick<ShortcutsState, 'shortcuts'>,
  chord: Chord,
  but?: string,
): Shortcut | undefined => shortcuts.find((one) => one.id !== but && sameChord(one.chord, chord));

/** What someone has chosen for an action; undefined where it has its own keys. */
export const ownKeyOf = (
  { ownKeys }: Pick<ShortcutsState, 'ownKeys'>,
  action: string,
  argument: string | null,
): OwnKey | undefined => ownKeys.find((one) => one.action === action && one.argument === argument);

/** Shortcuts and keys after some changes. */
export function changedKeys<Keys extends Pick<ShortcutsState, 'shortcuts' | 'ownKeys'>>(
  { shortcuts, ownKeys }: Keys,
  changes: readonly KeyChange[],
): Pick<ShortcutsState, 'shortcuts' | 'ownKeys'> {
  let now = { shortcuts, ownKeys };
  for (const change of changes)
    if ('shortcut' in change)
      now = { ...now, shortcuts: replaced(now.shortcuts, (one) => one.id === change.shortcut, change.to) };
    else {
      const same = (one: OwnKey) => one.action === change.action && one.argument === change.argument;
      now = { ...now, ownKeys: replaced(now.ownKeys, same, change.to) };
    }
  return now;
}

/** The shortcuts to some applications. */
export const shortcutsTo = (
  { shortcuts }: ShortcutsState,
  applications: readonly ApplicationId[],
): Shortcut[] =>
  shortcuts.filter(({ aim }) => 'application' in aim && applications.includes(aim.application));

/** The changes that undo some. */
export const undoing = <Change extends KeyChange>(
  state: ShortcutsState,
  changes: readonly Change[],
): Change[] =>
  changes.map((change) => ({
    ...change,
    to:
      ('shortcut' in change
        ? shortcutOf(state, change.shortcut)
        : ownKeyOf(state, change.action, change.argument)) ?? null,
  }));

/** The list with one entry for another, at its place; without it, or with it at the end. */
function replaced<T>(list: readonly T[], same: (one: T) => boolean, to: T | null): readonly T[] {
  const at = list.findIndex(same);
  if (at === -1) return to === null ? list : [...list, to];
  return to === null ? list.toSpliced(at, 1) : list.with(at, to);
}
