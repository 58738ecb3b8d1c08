import type { KeyChange } from './state';

/** What happens to shortcuts and keys. */
export type ShortcutsEvents = {
  /** All of these changes, as one that can be undone as `entry`. */
  'keys-changed': { changes: readonly KeyChange[]; entry: string };
  /** One change was undone. */
  'keys-put-back': { entry: string };
};
