import type { ApplicationsState } from '../applications/state';
import type { DocumentsState } from '../documents/state';
import type { PlacesState } from '../places/state';
import type { SettingsState } from '../settings/state';
import { shortcutsTo, undoing } from '../shortcuts/selectors';
import type { ShortcutChange, ShortcutsState } from '../shortcuts/state';
import type { Slice } from '../slice';
import type { SetupEvents } from './events';
import { changeMade, guestOf, leaving } from './selectors';
import type { SetupBefore, SetupState } from './state';

type Reads = ApplicationsState & DocumentsState & PlacesState & SettingsState & ShortcutsState;

/** Changes kept to be undone; each may hold the texts of what it took away. */
const MOST_KEPT = 10;

/** What can be undone of changes to the whole set-up: what was taken from a colleague, and applications that came or went. */
export const setup: Slice<SetupState, SetupEvents, object, Reads> = {
  name: 'setup',
  initial: { setupsBefore: [] },
  own: { 'setup-changed': 'when-taken', 'setup-put-back': 'when-taken' },
  on: {
    'setup-changed': (before, event) => {
      const change = changeMade(before, event);
      if (!change) return {};
      const gone = leaving(before, change);
      const shortcuts: readonly ShortcutChange[] = [
        ...change.shortcuts,
        ...shortcutsTo(before, gone).map(({ id }) => ({ shortcut: id, to: null })),
      ];
      const undo: SetupBefore = {
        id: event.entry,
        settings: change.settings && before.settings,
        places: change.places !== null || gone.length > 0 ? before.places : null,
        shortcuts: undoing(before, shortcuts),
        keys: undoing(before, change.keys),
        guests: change.guests.map(({ application }) => ({ application, to: guestOf(before, application) })),
      };
      return { setupsBefore: [...before.setupsBefore, undo].slice(-MOST_KEPT) };
    },
    'setup-put-back': ({ setupsBefore }, { entry }) => ({
      setupsBefore: setupsBefore.filter(({ id }) => id !== entry),
    }),
  },
};
