import type { Settings } from './state';

export type SettingsEvents = {
  'settings-changed': { settings: Settings };
};
