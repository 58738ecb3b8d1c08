import { chordText } from '../../keys/chord';
import { STACK_DEPTH } from '../../model/limits';
import { find, has } from '../../model/table';
import type { ApplicationEvents } from '../applications/events';
import type { ApplicationsState } from '../applications/state';
import type { SetupEvents } from '../setup/events';
import { changeMade, changeUndone, leaving } from '../setup/selectors';
import type { Guest, SetupChange, SetupState } from '../setup/state';
import { unless, type Slice } from '../slice';
import type { WindowEvents } from '../windows/events';
import type { WindowsState } from '../windows/state';
import type { ShortcutsEvents } from './events';
import { changedKeys, pencilsOf, shortcutsTo, shortcutWith, undoing } from './selectors';
import type { KeyChange, KeysBefore, Shortcut, ShortcutsState } from './state';

type Heard = Pick<WindowEvents, 'windows-closed' | 'window-joined'> &
  Pick<ApplicationEvents, 'application-ended'> &
  SetupEvents;
type Reads = WindowsState & ApplicationsState & SetupState;

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
      return { ...putBack(before, undo.changes), keysBefore: before.keysBefore.toSpliced(at, 1) };
    },
    'setup-changed': (before, event) => {
      const change = changeMade(before, event);
      if (!change) return {};
      const kept = without(before, shortcutsTo(before, leaving(before, change)));
      return changedKeys({ ...before, ...kept }, [...change.shortcuts, ...change.keys]);
    },
    'setup-put-back': (before, event) => {
      const change = changeUndone(before, event);
      if (!change) return {};
      const kept = without(before, shortcutsTo(before, leaving(before, change)));
      return putBack({ ...before, ...kept }, [...change.shortcuts, ...change.keys], change);
    },
    'windows-closed': (before, { windows }) => without(before, pencilsOf(before, windows)),
    'window-joined': (before, { window }) => without(before, pencilsOf(before, [window])),
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

/**
 * Shortcuts and keys after undoing changes. What would bring back a shortcut to what is not there any more, or one whose
 * combination is another's now, is left out.
 */
function putBack(
  session: ShortcutsState & Reads,
  changes: readonly KeyChange[],
  coming: Pick<SetupChange, 'guests'> = NONE,
) {
  const there = (shortcut: Shortcut) =>
    isThere(session, shortcut) || coming.guests.some(({ to }) => goesTo(shortcut, to));
  let now: Pick<ShortcutsState, 'shortcuts' | 'ownKeys'> = changedKeys(
    session,
    changes.filter(({ to }) => to === null),
  );
  for (const change of changes) {
    if (change.to === null) continue;
    const barred =
      'shortcut' in change &&
      (!there(change.to) || shortcutWith(now, change.to.chord, change.shortcut) !== undefined);
    if (!barred) now = changedKeys(now, [change]);
  }
  return { shortcuts: now.shortcuts, ownKeys: now.ownKeys };
}

const NONE: Pick<SetupChange, 'guests'> = { guests: [] };
const goesTo = ({ aim }: Shortcut, guest: Guest | null): boolean =>
  guest !== null && 'application' in aim && aim.application === guest.id;
