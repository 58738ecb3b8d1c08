import type { WorkspaceId } from '../../model/ids';
import { find } from '../../model/table';
import type { WorkspacesState } from './state';

/** What a workspace is called; empty for one that is gone. */
export const workspaceName = ({ workspaces }: WorkspacesState, id: WorkspaceId): string =>
  find(workspaces, id)?.name ?? '';
