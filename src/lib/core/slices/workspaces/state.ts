import type { WorkspaceId } from '../../model/ids';
import type { Table } from '../../model/table';

/** A part of the session of which one is seen at a time. */
export interface Workspace {
  readonly id: WorkspaceId;
  readonly name: string;
}

/** The fields of this slice. */
export interface WorkspacesState {
  readonly workspaces: Table<Workspace>;
  /** The workspace that is shown. */
  readonly workspace: WorkspaceId;
  /** The one that was shown before it; null if there was none, or it is gone. */
  readonly workspaceBefore: WorkspaceId | null;
}
