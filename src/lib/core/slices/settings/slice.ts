import type { Slice } from '../slice';
import type { SettingsEvents } from './events';
import { isSo } from './selectors';
import type { SettingsState } from './state';

/** What the session is called, and how its person wants it. */
export const settings: Slice<SettingsState, SettingsEvents, object, object> = {
  name: 'settings',
  initial: { title: '', settings: { holdKey: 'Alt', holding: true, theme: 'system' } },
  own: { 'settings-changed': 'when-taken' },
  // What an older page does not know it does not change.
  on: {
    'settings-changed': (before, { settings }) =>
      isSo(before.settings, settings) ? {} : { settings: { ...before.settings, ...settings } },
  },
};
