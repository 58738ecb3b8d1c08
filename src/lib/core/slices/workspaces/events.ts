import type { WorkspaceId } from '../../model/ids';
import type { Workspace } from './state';

/** What happens to workspaces. */
export type WorkspaceEvents = {
  'workspace-entered': { workspace: WorkspaceId };
  /** It is there, so many from the first one. */
  'workspace-added': { workspace: Workspace; at: number };
  'workspace-renamed': { workspace: WorkspaceId; name: string };
  /** It is gone; its windows are on `to`, which is shown if it was. */
  'workspace-removed': { workspace: WorkspaceId; to: WorkspaceId };
};
