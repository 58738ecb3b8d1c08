import { has, patch, remove } from '../../model/table';
import { unless, type Slice } from '../slice';
import type { WorkspaceEvents } from './events';
import type { WorkspacesState } from './state';

/** The workspaces, and the one that is shown. */
export const workspaces: Slice<WorkspacesState, WorkspaceEvents, object, object> = {
  name: 'workspaces',
  initial: { workspaces: [], workspace: '', workspaceBefore: null },
  on: {
    'workspace-entered': ({ workspace: before }, { workspace }) =>
      workspace === before ? {} : { workspace, workspaceBefore: before },
    'workspace-added': ({ workspaces }, { workspace, at }) => ({
      workspaces: workspaces.toSpliced(at, 0, workspace),
    }),
    'workspace-renamed': ({ workspaces }, { workspace, name }) => ({
      workspaces: patch(workspaces, [workspace], 'workspace', (one) => ({ ...one, name })),
    }),
    'workspace-removed': ({ workspaces, workspace: shown, workspaceBefore }, { workspace, to }) => {
      const now = shown === workspace ? to : shown;
      const before = workspaceBefore === workspace || workspaceBefore === now ? null : workspaceBefore;
      return { workspaces: remove(workspaces, [workspace]), workspace: now, workspaceBefore: before };
    },
  },
  covers: {
    hides: ({ workspace }, window) => window.workspace !== workspace,
    uncover: (_session, { workspace }) => [{ type: 'workspace-entered', workspace }],
  },
  problems: ({ workspaces, workspace }) => [
    ...unless(
      new Set(workspaces.map(({ id }) => id)).size === workspaces.length,
      ['workspaces'],
      'an id is used twice',
    ),
    ...unless(has(workspaces, workspace), ['workspace'], `there is no workspace '${workspace}'`),
  ],
};
