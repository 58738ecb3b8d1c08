import type { Slice } from '../slice';
import type { SettingsEvents } from './events';
import type { SetupEvents } from '../setup/events';
import { changeMade, changeUndone } from '../setup/selectors';
import type { SetupChange, SetupState } from '../setup/state';
import { isSo } from './selectors';
import type { SettingsState } from './state';

/** What the session is called, and how its person wants it. */
export const settings: Slice<SettingsState, SettingsEvents, SetupEvents, SetupState> = {
  name: 'settings',
  initial: { title: '', settings: { holdKey: 'Alt', holding: true, theme: 'system' } },
  own: { 'settings-changed': 'when-taken' },
  // What an older page does not know it does not change.
  on: {
    'settings-changed': (before, { settings }) =>
      isSo(before.settings, settings) ? {} : { settings: { ...before.settings, ...settings } },
    'setup-changed': (before, event) => taken(changeMade(before, event)),
    'setup-put-back': (before, event) => taken(changeUndone(before, event)),
  },
};

/** The settings that a change says, in the place of all that were. */
const taken = (change: SetupChange | null): Partial<SettingsState> =>
  change?.settings ? { settings: change.settings } : {};
