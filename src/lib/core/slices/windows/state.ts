import type { Geometry } from '../../model/geometry';
import type { ApplicationId, DocumentId, TabId, WindowId, WorkspaceId } from '../../model/ids';
import type { Table } from '../../model/table';

/** A part of a window that shows one document. */
export interface Tab {
  readonly id: TabId;
  readonly title: string;
  readonly document: DocumentId;
}

/** What a window with unsaved work is asked to do: to close by itself, or so that its application can quit. */
export type ClosingGoal = 'close' | 'quit';

/** The question a window with unsaved work shows, and whether it was answered "drop". */
export interface ClosingQuestion {
  readonly goal: ClosingGoal;
  readonly dropping: boolean;
}

/** A window of an application. (The platform's `Window` is another thing.) */
export interface AppWindow {
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

/** The fields of this slice. */
export interface WindowsState {
  readonly windows: Table<AppWindow>;
}
