/** Going to workspaces, and carrying things along. */
import type { WorkspaceId } from '../../model/ids';
import { idsIn } from '../../model/table';
import type { Session } from '../../session/session';
import { workspaceBeside, workspaceName } from '../../slices/workspaces/selectors';
import { action, actionFamily, asksPage, not, ordersDesk, wishes, type Action } from '../action';
import { held, heldShift } from '../binding';

const SYNONYMS = ['workspace', 'area', 'space'];

/** Which workspace is meant, as things stand; null for none. */
type Whither = (session: Session) => WorkspaceId | null;

const previous: Whither = (session) => workspaceBeside(session, -1);
const next: Whither = (session) => workspaceBeside(session, 1);
const before: Whither = ({ workspaceBefore }) => workspaceBefore;

const going = (id: string, title: string, short: string, code: string, whither: Whither): Action =>
  action({
    id,
    group: 'workspace',
    acts: 'nothing',
    words: { title, short, synonyms: SYNONYMS },
    keys: [held(code)],
    offer(session) {
      const workspace = whither(session);
      if (workspace === null) return not({ type: 'no-workspace-before' });
      if (workspace === session.workspace) return not({ type: 'only-workspace' });
      return wishes({ type: 'enter-workspace', workspace });
    },
  });

const carrying = (id: string, title: string, short: string, code: string, whither: Whither): Action =>
  action({
    id,
    group: 'workspace',
    acts: 'window',
    words: { title, short, synonyms: [...SYNONYMS, 'move'] },
    keys: [heldShift(code)],
    offer(session, { window }) {
      const workspace = whither(session);
      if (workspace === null) return not({ type: 'no-workspace-before' });
      if (session.workspaces.length === 1) return not({ type: 'only-workspace' });
      return wishes({ type: 'carry-window', window, workspace });
    },
  });

/** The workspaces lie side by side, the last beside the first. */
export const STEPS_BETWEEN_WORKSPACES: readonly Action[] = [
  going('previous-workspace', 'Previous workspace', 'workspaces', 'KeyU', previous),
  going('next-workspace', 'Next workspace', 'workspaces', 'KeyI', next),
  going('workspace-before', 'Back to the workspace shown before', 'workspace before', 'KeyO', before),
  carrying(
    'carry-to-previous-workspace',
    'Carry the window to the previous workspace',
    'carry window',
    'KeyU',
    previous,
  ),
  carrying('carry-to-next-workspace', 'Carry the window to the next workspace', 'carry window', 'KeyI', next),
  carrying(
    'carry-to-workspace-before',
    'Carry the window to the workspace shown before',
    'carry back',
    'KeyO',
    before,
  ),
];

/** Lists, adds, names and removes them. */
export const openWorkspaces = action({
  id: 'workspaces',
  group: 'workspace',
  acts: 'nothing',
  words: {
    title: 'Workspaces: go to one, carry something there, add, rename, remove',
    short: 'all workspaces',
    synonyms: [...SYNONYMS, 'new workspace', 'rename workspace'],
  },
  keys: [held('KeyP')],
  offer: () => asksPage({ type: 'open-dialog', dialog: 'workspaces' }),
});

const others = ({ workspaces, workspace }: Session): WorkspaceId[] =>
  idsIn(workspaces).filter((id) => id !== workspace);

/** By name, for search and for keys of one’s own. */
export const TO_A_WORKSPACE: readonly Action[] = [
  actionFamily({
    id: 'go-to-workspace',
    group: 'workspace',
    acts: 'nothing',
    arguments: others,
    words: (workspace, session) => ({
      title: `Go to ${workspaceName(session, workspace)}`,
      short: workspaceName(session, workspace),
      synonyms: SYNONYMS,
    }),
    offer: (_session, _target, workspace: WorkspaceId) => wishes({ type: 'enter-workspace', workspace }),
  }),
  actionFamily({
    id: 'carry-window-to-workspace',
    group: 'workspace',
    acts: 'window',
    arguments: others,
    words: (workspace, session) => ({
      title: `Carry the front window to ${workspaceName(session, workspace)}`,
      short: `carry to ${workspaceName(session, workspace)}`,
      synonyms: [...SYNONYMS, 'move'],
    }),
    offer: (_session, { window }, workspace: WorkspaceId) =>
      wishes({ type: 'carry-window', window, workspace }),
  }),
  actionFamily({
    id: 'carry-application-to-workspace',
    group: 'workspace',
    acts: 'application',
    arguments: others,
    words: (workspace, session) => ({
      title: `Carry all windows of the front application to ${workspaceName(session, workspace)}`,
      short: `carry all to ${workspaceName(session, workspace)}`,
      synonyms: [...SYNONYMS, 'move'],
    }),
    offer: (_session, { application }, workspace: WorkspaceId) =>
      wishes({ type: 'carry-application', application, workspace }),
  }),
];

/** The switcher shows everything, or only what is on this workspace. */
export const everythingOrHere = action({
  id: 'everything-or-here',
  group: 'workspace',
  acts: 'nothing',
  words: {
    title: 'Switcher: all workspaces, or only this one',
    short: 'all / here',
    synonyms: [...SYNONYMS, 'all workspaces', 'only this workspace'],
  },
  keys: [held('KeyY')],
  offer: () => ordersDesk({ type: 'everything-or-here' }),
});
