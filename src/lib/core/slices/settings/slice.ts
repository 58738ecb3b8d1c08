import type { Slice } from '../slice';
import type { SettingsEvents } from './events';
import type { SettingsState } from './state';

/** What the session is called, and how its person wants it. */
export const settings: Slice<SettingsState, SettingsEvents, object, object> = {
  name: 'settings',
  initial: { title: '', settings: { holdKey: 'Alt', holding: true, theme: 'system' } },
  own: { 'settings-changed': 'when-taken' },
  on: { 'settings-changed': (_before, { settings }) => ({ settings }) },
};
