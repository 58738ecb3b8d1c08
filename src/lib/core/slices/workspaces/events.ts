import type { WorkspaceId } from '../../model/ids';

/** What happens to workspaces. */
export type WorkspaceEvents = {
  'workspace-entered': { workspace: WorkspaceId };
};
