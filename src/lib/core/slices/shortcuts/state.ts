import type { Chord } from '../../keys/chord';
import type { ApplicationId, WindowId } from '../../model/ids';

/** What a further press does once what it goes to is in front. */
export const FURTHER = ['next-window', 'next-tab', 'back', 'hide'] as const;
/** One of these. */
export type Further = (typeof FURTHER)[number];

/**
 * What a shortcut goes to. A window: written in pencil, gone with it. An application, or those of its windows whose titles
 * match a pattern (null: all of them): written in ink, and kept.
 */
export type Aim =
  { readonly window: WindowId } | { readonly application: ApplicationId; readonly title: string | null };

/** A combination of keys that someone has chosen for something. */
export interface Shortcut {
  readonly id: string;
  readonly chord: Chord;
  readonly aim: Aim;
  /** Whether it launches or opens what is not there. */
  readonly opens: boolean;
  readonly further: Further;
}

/** A key of an action that someone has chosen in the place of its own; null for none. */
export interface OwnKey {
  readonly action: string;
  readonly argument: string | null;
  readonly chord: Chord | null;
}

/** What one shortcut or one key becomes, or was; null for none of its own. */
export type KeyChange = ShortcutChange | ActionKeyChange;

/** What a shortcut becomes, or was. */
export interface ShortcutChange {
  readonly shortcut: string;
  readonly to: Shortcut | null;
}
/** What the key of an action becomes, or was. */
export interface ActionKeyChange {
  readonly action: string;
  readonly argument: string | null;
  readonly to: OwnKey | null;
}

/** What has to be changed to undo a change. */
export interface KeysBefore {
  readonly id: string;
  readonly changes: readonly KeyChange[];
}

/** The fields of this slice. */
export interface ShortcutsState {
  readonly shortcuts: readonly Shortcut[];
  readonly ownKeys: readonly OwnKey[];
  /** The changes that can be undone, oldest first. */
  readonly keysBefore: readonly KeysBefore[];
}
