import type { Settings } from './state';

/** What happens to the settings. */
export type SettingsEvents = {
  'settings-changed': { settings: Settings };
};
