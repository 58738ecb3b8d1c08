import { chordText } from '../../keys/chord';
import { STACK_DEPTH } from '../../model/limits';
import { find, has } from '../../model/table';
import type { ApplicationEvents } from '../applications/events';
import type { ApplicationsState } from '../applications/state';
import { unless, type Slice } from '../slice';
import type { WindowEvents } from '../windows/events';
import type { WindowsState } from '../windows/state';
import type { ShortcutsEvents } from './events';
import { changedKeys, pencilsOf, shortcutWith, undoing } from './selectors';
import type { KeysBefore, Shortcut, ShortcutsState } from './state';

type Heard = Pick<WindowEvents, 'windows-closed'> & Pick<ApplicationEvents, 'application-ended'>;
type Reads = WindowsState & ApplicationsState;

/** The shortcuts and keys that a person has chosen. What is in pencil goes with its window. */
export const shortcuts: Slice<ShortcutsState, ShortcutsEvents, Heard, Reads> = {
  name: 'shortcuts',
  initial: { shortcuts: [], ownKeys: [], keysBefore: [] },
  own: { 'keys-changed': 'when-taken', 'keys-put-back': 'when-taken' },
  on: {
    // Written down when its batch is taken, it is foreseen once more on top of that.
    'keys-changed': (before, { changes, entry }) => {
      if (before.keysBefore.some(({ id }) => id === entry)) return {};
      const undo: KeysBefore = { id: entry, changes: undoing(before, changes) };
      return {
        ...changedKeys(before, changes),
        keysBefore: [...before.keysBefore, undo].slice(-STACK_DEPTH),
      };
    },
    'keys-put-back': (before, { entry }) => {
      const at = before.keysBefore.findIndex(({ id }) => id === entry);
      const undo = before.keysBefore[at];
      if (!undo) return {};
      return { ...changedKeys(before, there(before, undo)), keysBefore: before.keysBefore.toSpliced(at, 1) };
    },
    'windows-closed': (before, { windows }) => without(before, pencilsOf(before, windows)),
    'application-ended': (before, { application }) =>
      without(
        before,
        before.shortcuts.filter(
          ({ aim }) => 'window' in aim && find(before.windows, aim.window)?.application === application,
        ),
      ),
  },
  problems: (session) => {
    const { shortcuts } = session;
    const ids = new Set(shortcuts.map(({ id }) => id));
    const chords = new Set(shortcuts.map(({ chord }) => chordText(chord)));
    return [
      ...unless(ids.size === shortcuts.length, ['shortcuts'], 'an id is used twice'),
      ...unless(chords.size === shortcuts.length, ['shortcuts'], 'a combination is used twice'),
      ...shortcuts.flatMap((shortcut) =>
        unless(isThere(session, shortcut), ['shortcuts'], `'${shortcut.id}' goes to what there is not`),
      ),
    ];
  },
};

const without = ({ shortcuts }: ShortcutsState, gone: readonly Shortcut[]): Partial<ShortcutsState> =>
  gone.length === 0 ? {} : { shortcuts: shortcuts.filter((one) => !gone.includes(one)) };

const isThere = ({ windows, applications }: Reads, { aim }: Shortcut): boolean =>
  'window' in aim ? has(windows, aim.window) : has(applications, aim.application);

/** What would bring back a shortcut to a window that has closed, or a combination that is another's now, is left out. */
const there = (session: ShortcutsState & Reads, { changes }: KeysBefore) =>
  changes.filter((change) => {
    if (!('shortcut' in change) || change.to === null) return true;
    return isThere(session, change.to) && !shortcutWith(session, change.to.chord, change.shortcut);
  });
