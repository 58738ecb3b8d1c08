import type { ApplicationId, DocumentId } from '../../model/ids';
import type { Places } from '../places/state';
import type { Settings } from '../settings/state';
import type { ActionKeyChange, ShortcutChange } from '../shortcuts/state';

/**
 * The kinds of applications that people add: a web page, by its W3C manifest, and a program of the machine, by its
 * desktop entry.
 */
export const GUEST_KINDS = ['page', 'desktop-entry'] as const;
/** One of them. */
export type GuestKind = (typeof GUEST_KINDS)[number];

/** An application that a person has added. What it is says the text of its home document. */
export interface Guest {
  readonly id: ApplicationId;
  readonly name: string;
  readonly monogram: string;
  readonly hue: number;
  readonly home: DocumentId;
  readonly kind: GuestKind;
  readonly text: string;
}

/** What a guest becomes; null: it goes. */
export interface GuestChange {
  readonly application: ApplicationId;
  readonly to: Guest | null;
}
/** A change of several parts of a set-up at once; null or nothing where a part stays as it is. */
export interface SetupChange {
  readonly settings: Settings | null;
  readonly places: Places | null;
  readonly shortcuts: readonly ShortcutChange[];
  readonly keys: readonly ActionKeyChange[];
  readonly guests: readonly GuestChange[];
}

/** What has to be changed to undo a change. */
export interface SetupBefore extends SetupChange {
  readonly id: string;
}

/** The fields of this slice. */
export interface SetupState {
  /** The changes that can be undone, oldest first. */
  readonly setupsBefore: readonly SetupBefore[];
}
