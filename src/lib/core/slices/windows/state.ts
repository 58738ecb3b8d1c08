import type { ApplicationId, DocumentId, TabId, WindowId, WorkspaceId } from '../../model/ids';
import type { Table } from '../../model/table';
import type { Placement } from '../../placing/placement';

/** A part of a window that shows one document. */
export interface Tab {
  readonly id: TabId;
  readonly title: string;
  readonly document: DocumentId;
  /** Whether what it shows has stopped answering, where a live host tells of that. */
  readonly hung?: true;
}

/** What a window with unsaved work is asked to do: to close by itself or one of its tabs, or so that its application can quit. */
export const CLOSING_GOALS = ['close', 'quit', 'tab'] as const;
/** One of these. */
export type ClosingGoal = (typeof CLOSING_GOALS)[number];

/** The question a window with unsaved work shows, and whether it was answered "drop". */
export interface ClosingQuestion {
  readonly goal: ClosingGoal;
  readonly dropping: boolean;
  /** The tab that is to close, where it is one. */
  readonly tab?: TabId;
}

/** A window of an application. (The platform's `Window` is another thing.) */
export interface AppWindow extends Placement {
  readonly id: WindowId;
  readonly application: ApplicationId;
  readonly minimised: boolean;
  readonly workspace: WorkspaceId;
  readonly tabs: readonly Tab[];
  readonly activeTab: TabId;
  /**
   * Its tabs by recent use, most recent first, where a live host tells of tabs. Absent on one: all that the window shows
   * counts as one tab, of which nothing can be wished.
   */
  readonly recentTabs?: readonly TabId[];
  /** False while it was opened in the background and never came to the front. */
  readonly seen: boolean;
  readonly asking: ClosingQuestion | null;
  /** True while the window offers a draft that an abrupt end left behind. */
  readonly offeringDraft: boolean;
}

/** The fields of this slice. */
export interface WindowsState {
  readonly windows: Table<AppWindow>;
}
