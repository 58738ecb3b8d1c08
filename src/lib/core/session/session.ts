/**
 * The session: everything Key Fold knows about one desk at one moment, as a plain serialisable value.
 * It changes only through {@link reduce} and is never mutated in place.
 */

import type { Order } from '../recency/order';

export type ApplicationId = string;
export type WindowId = string;
export type TabId = string;
export type DocumentId = string;
export type WorkspaceId = string;
/** An instant as an ISO 8601 string in UTC, e.g. `2026-11-24T06:12:00.000Z`. */
export type Instant = string;

/** A window's place on the surface, in CSS pixels from the surface's top left corner. */
export interface Geometry {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** How a stand-in shows a document. */
export type DocumentKind = 'tide-constants' | 'table' | 'letter' | 'prose';

/** Something an application opens. `text` is its saved content, in an open format that fits the kind. */
export interface Document {
  readonly id: DocumentId;
  readonly title: string;
  readonly application: ApplicationId;
  readonly kind: DocumentKind;
  readonly text: string;
}

/** Edited text of a document that was not saved yet. */
export interface Draft {
  readonly text: string;
  readonly at: Instant;
}

export interface Tab {
  readonly id: TabId;
  readonly title: string;
  readonly document: DocumentId;
}

/** The question a window with unsaved work shows: what it was asked to do, and whether it was answered "drop". */
export interface ClosingQuestion {
  readonly goal: 'close' | 'quit';
  readonly dropping: boolean;
}

export interface Window {
  readonly id: WindowId;
  readonly application: ApplicationId;
  readonly geometry: Geometry;
  readonly minimised: boolean;
  readonly workspace: WorkspaceId;
  readonly tabs: readonly Tab[];
  readonly activeTab: TabId;
  /** False while it was opened in the background and never came to the front. */
  readonly seen: boolean;
  readonly asking: ClosingQuestion | null;
  /** True while the window offers a draft that an abrupt end left behind. */
  readonly offeringDraft: boolean;
}

export interface Application {
  readonly id: ApplicationId;
  readonly name: string;
  /** Two letters that stand for the application where its name does not fit. */
  readonly monogram: string;
  /** The hue of its spine, in degrees on the colour circle. */
  readonly hue: number;
  readonly running: boolean;
  readonly hidden: boolean;
  readonly answering: boolean;
  /** A resident application can be restarted but not quit. */
  readonly resident: boolean;
  /** Whether closing its last window ends it. */
  readonly quitsWithLastWindow: boolean;
  /** True while it waits for answers before it quits. */
  readonly quitting: boolean;
  /** What it opens when it is launched. */
  readonly home: DocumentId;
}

export interface Workspace {
  readonly id: WorkspaceId;
  readonly name: string;
}

export const HOLD_KEYS = ['Alt', 'Control', 'Meta'] as const;
/** The key kept down while stepping, by its modifier name, as it is stored. */
export type HoldKey = (typeof HOLD_KEYS)[number];

/** The hold keys that are offered. Control alone is none any more: it would take copy, paste and select all. */
export const USABLE_HOLD_KEYS = ['Alt', 'Meta'] as const satisfies readonly HoldKey[];
export type UsableHoldKey = (typeof USABLE_HOLD_KEYS)[number];

/** The hold key of a session: Alt where an earlier version stored one that cannot be used. */
export const holdKeyOf = ({ holdKey }: Settings): UsableHoldKey => (holdKey === 'Control' ? 'Alt' : holdKey);

export const THEMES = ['system', 'day', 'night'] as const;
export type Theme = (typeof THEMES)[number];

export interface Settings {
  readonly holdKey: HoldKey;
  /** False for people who cannot hold keys: the switcher then stays open and Enter commits. */
  readonly holding: boolean;
  readonly theme: Theme;
}

export type PutAwayKind = 'minimise' | 'minimise-all' | 'hide' | 'solo' | 'sweep';

/** One entry of the put-back stack: what one putting-away changed, as it was before. */
export interface PutAway {
  readonly kind: PutAwayKind;
  /** What was put away, in words for the foot line. */
  readonly subject: string;
  /** The windows it minimised, with the geometry they had. */
  readonly windows: readonly { readonly window: WindowId; readonly geometry: Geometry }[];
  /** The applications it hid or (solo, for the one it keeps) showed, and whether they were hidden before. */
  readonly applications: readonly { readonly application: ApplicationId; readonly hidden: boolean }[];
  /** The stacking before, bottom first; null if it did not change. */
  readonly stacking: readonly WindowId[] | null;
  /** The front window before; null if it did not change. */
  readonly front: WindowId | null;
}

/** A document with the draft that was thrown away of it. */
export interface DiscardedDraft {
  readonly document: DocumentId;
  readonly draft: Draft;
}

/**
 * Windows that closed together, an application that ended with all its windows, or a draft that was turned down,
 * kept so that it can be reopened.
 */
export interface Ended {
  readonly kind: 'window' | 'application' | 'draft';
  readonly application: ApplicationId;
  /** The windows that ended, most recent first; none for a draft. */
  readonly windows: readonly Window[];
  /** The whole stacking before the end, bottom first. */
  readonly stacking: readonly WindowId[];
  readonly hidden: boolean;
  /** What was discarded with it, offered again when it is reopened. */
  readonly discarded: readonly DiscardedDraft[];
}

/** The ten numbered places, keys 1 to 9 and 0; an empty one is null. */
export type Places = readonly (ApplicationId | null)[];
export const PLACE_COUNT = 10;

/** How strongly one choice is remembered for the letters that led to it (see search/learning). */
export interface LearnedChoice {
  readonly letters: string;
  readonly choice: string;
  /** Weight at the instant `at`; it halves with every half-life since. */
  readonly weight: number;
  readonly at: Instant;
}

export interface Session {
  readonly title: string;
  readonly settings: Settings;
  readonly workspaces: readonly Workspace[];
  /** The workspace that is shown. */
  readonly workspace: WorkspaceId;
  /** Everything that can run, whether it runs or not. */
  readonly applications: Readonly<Record<ApplicationId, Application>>;
  readonly windows: Readonly<Record<WindowId, Window>>;
  readonly documents: Readonly<Record<DocumentId, Document>>;
  readonly drafts: Readonly<Record<DocumentId, Draft>>;
  /** The two orders of recent use: of the running applications, and of all windows. */
  readonly recent: { readonly applications: Order; readonly windows: Order };
  /** All windows from the bottom of the pile to the top. */
  readonly stacking: readonly WindowId[];
  readonly front: WindowId | null;
  readonly places: Places;
  /** The put-back stack, oldest first. */
  readonly putAways: readonly PutAway[];
  /** What ended and can be reopened, oldest first. */
  readonly ended: readonly Ended[];
  readonly learned: readonly LearnedChoice[];
}
