/** Workspaces: adding, naming and removing them, going there, and carrying windows along. */
import type { Course } from '../../host/course';
import type { WindowId, WorkspaceId } from '../../model/ids';
import { MOST_WORKSPACES } from '../../model/limits';
import { has, idsIn } from '../../model/table';
import { windowsOf } from '../../slices/recency/selectors';
import { windowOf, windowToChoose } from '../../slices/windows/selectors';
import { isNameTaken, neighbourOf, workspaceOf } from '../../slices/workspaces/selectors';
import { commandKind } from '../command';
import { remember } from './putting-away';

/** A workspace more, after all others; what is shown stays. */
export const addWorkspace = commandKind({
  type: 'add-workspace',
  fields: { name: 'title' },
  grows: true,
  decide(course, { name }) {
    const id = `s-${course.id}`;
    const { workspaces } = course.session;
    if (has(workspaces, id)) return;
    if (isNameTaken(course.session, name)) return course.notice({ type: 'name-taken' });
    if (workspaces.length >= MOST_WORKSPACES) return course.notice({ type: 'too-many-workspaces' });
    course.happen({ type: 'workspace-added', workspace: { id, name }, at: workspaces.length });
  },
});

/** Gives a workspace another name. */
export const renameWorkspace = commandKind({
  type: 'rename-workspace',
  fields: { workspace: 'workspace', name: 'title' },
  grows: true,
  decide(course, { workspace, name }) {
    if (workspaceOf(course.session, workspace).name === name) return;
    if (isNameTaken(course.session, name, workspace)) return course.notice({ type: 'name-taken' });
    course.happen({ type: 'workspace-renamed', workspace, name });
  },
});

/** Its windows move to the neighbour; one thing to put back. */
export const removeWorkspace = commandKind({
  type: 'remove-workspace',
  fields: { workspace: 'workspace' },
  decide(course, { workspace: id }) {
    const before = course.session;
    const to = neighbourOf(before, id);
    if (to === null) return course.notice({ type: 'only-workspace' });
    const workspace = workspaceOf(before, id);
    const windows = idsIn(before.windows.filter((window) => window.workspace === id));
    course.happen({ type: 'workspace-removed', workspace: id, to });
    course.fillFront();
    remember(course, before, {
      kind: 'remove-workspace',
      subject: workspace.name,
      workspace: {
        workspace,
        at: before.workspaces.indexOf(workspace),
        shown: before.workspace === id,
        windows,
        to,
      },
    });
  },
});

/** Shows a workspace; what was used there last comes forward (switching rule 4). */
export const enterWorkspace = commandKind({
  type: 'enter-workspace',
  fields: { workspace: 'workspace' },
  decide(course, { workspace }) {
    if (course.session.workspace === workspace) return course.alreadySo({ type: 'already-there' });
    enter(course, workspace);
  },
});

/** Takes a window along to a workspace, in front. */
export const carryWindow = commandKind({
  type: 'carry-window',
  fields: { window: 'window', workspace: 'workspace' },
  decide: (course, { window, workspace }) => carry(course, [window], workspace),
});

/** Takes all windows of an application along, wherever they are. */
export const carryApplication = commandKind({
  type: 'carry-application',
  fields: { application: 'application', workspace: 'workspace' },
  decide(course, { application, workspace }) {
    const windows = idsIn(windowsOf(course.session, application));
    if (windows.length === 0) return course.notice({ type: 'no-window-here' });
    carry(course, windows, workspace);
  },
});

/** The one that the application would come forward with comes to the front there. */
function carry(course: Course, windows: readonly WindowId[], workspace: WorkspaceId): void {
  const moving = windows.filter((id) => windowOf(course.session, id).workspace !== workspace);
  if (moving.length === 0 && course.session.workspace === workspace)
    return course.alreadySo({ type: 'already-there' });
  if (moving.length > 0) course.happen({ type: 'windows-carried', windows: moving, workspace });
  enter(course, workspace);
  const front = windowToChoose(course.session, windows);
  if (front !== null) course.bringToFront(front);
}

function enter(course: Course, workspace: WorkspaceId): void {
  if (course.session.workspace !== workspace) course.happen({ type: 'workspace-entered', workspace });
  course.fillFront();
}
