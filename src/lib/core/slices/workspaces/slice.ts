import { has } from '../../model/table';
import { unless, type Slice } from '../slice';
import type { WorkspaceEvents } from './events';
import type { WorkspacesState } from './state';

/** The workspaces, and the one that is shown. */
export const workspaces: Slice<WorkspacesState, WorkspaceEvents, object, object> = {
  name: 'workspaces',
  initial: { workspaces: [], workspace: '' },
  on: { 'workspace-entered': (_before, { workspace }) => ({ workspace }) },
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
