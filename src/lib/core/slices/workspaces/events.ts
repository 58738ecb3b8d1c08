import type { WorkspaceId } from '../../model/ids';

export type WorkspaceEvents = {
  'workspace-entered': { workspace: WorkspaceId };
};
