import type { WorkspaceId } from '../../model/ids';
import { find, get, idsIn } from '../../model/table';
import type { Workspace, WorkspacesState } from './state';

/** The workspace with this id. @throws RangeError if there is none. */
export const workspaceOf = ({ workspaces }: WorkspacesState, id: WorkspaceId): Workspace =>
  get(workspaces, id, 'workspace');

/** What a workspace is called; empty for one that is gone. */
export const workspaceName = ({ workspaces }: WorkspacesState, id: WorkspaceId): string =>
  find(workspaces, id)?.name ?? '';

/** The workspace after the one that is shown, or before it, and round. */
export function workspaceBeside({ workspaces, workspace }: WorkspacesState, by: 1 | -1): WorkspaceId {
  const ids = idsIn(workspaces);
  return ids[(ids.indexOf(workspace) + by + ids.length) % ids.length] ?? workspace;
}

/** Where the windows of a workspace go when it is removed: to the next one, or from the last to the one before; null if it is the only one. */
export function neighbourOf({ workspaces }: WorkspacesState, id: WorkspaceId): WorkspaceId | null {
  const ids = idsIn(workspaces);
  const at = ids.indexOf(id);
  return ids[at + 1] ?? ids[at - 1] ?? null;
}

/** Whether another workspace is called so; letters are letters, large or small. */
export const isNameTaken = ({ workspaces }: WorkspacesState, name: string, but?: WorkspaceId): boolean =>
  workspaces.some((one) => one.id !== but && sameName(one.name, name));

const sameName = (a: string, b: string): boolean =>
  a.trim().toLocaleLowerCase('en') === b.trim().toLocaleLowerCase('en');
