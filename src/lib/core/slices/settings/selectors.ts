import type { Settings } from './state';

/** Whether settings are already as they are wanted; what is not said may be as it is. */
export const isSo = (settings: Settings, wanted: Settings): boolean =>
  (Object.keys(wanted) as (keyof Settings)[]).every((name) => wanted[name] === settings[name]);
