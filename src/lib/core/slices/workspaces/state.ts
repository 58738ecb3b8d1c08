import type { WorkspaceId } from '../../model/ids';
import type { Table } from '../../model/table';

export interface Workspace {
  readonly id: WorkspaceId;
  readonly name: string;
}

export interface WorkspacesState {
  readonly workspaces: Table<Workspace>;
  /** The workspace that is shown. */
  readonly workspace: WorkspaceId;
}
