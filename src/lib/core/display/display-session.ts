import { EMPTY_SESSION, type Session } from '../session/session';
import type { HoldKey } from '../slices/settings/state';

/** What a session's first workspace is called until a display tells of its own. */
const FIRST_WORKSPACE = { id: 'ws-1', name: '1' };

/** A session whose windows a display will have; nothing is known of it yet, and it is away. */
export const displaySession = (name: string, holdKey: HoldKey, at: string): Session => ({
  ...EMPTY_SESSION,
  title: name,
  settings: { ...EMPTY_SESSION.settings, holdKey },
  workspaces: [FIRST_WORKSPACE],
  workspace: FIRST_WORKSPACE.id,
  host: { kind: 'live', name, abilities: [], awaySince: at },
});
