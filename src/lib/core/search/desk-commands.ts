import type { Action, HeldKey } from '../keys/key-map';
import type { Wish } from '../commands/commands';
import type { Session } from '../session/session';
import { frontTarget, wishFor } from '../switcher/acting';

/** What a command asks of the page rather than of the session. */
export type PageRequest = 'settings' | 'export';

/** One of Key Fold's own commands. */
export interface DeskCommand {
  readonly id: string;
  readonly title: string;
  /** The held key that does the same, if there is one. */
  readonly key: HeldKey | null;
  /** What it wishes in a session; null while there is nothing to do it to, and then it is not offered. */
  readonly wish?: (session: Session) => Wish | null;
  readonly page?: PageRequest;
}

/** A command that does what an action's key does while the switcher is closed. */
const acting = (action: Action, title: string): DeskCommand => ({
  id: action,
  title,
  key: action,
  wish: (session) => wishFor(session, action, frontTarget(session)),
});

const setting = (id: string, title: string, patch: Partial<Session['settings']>): DeskCommand => ({
  id,
  title,
  key: null,
  wish: ({ settings }) => ({ type: 'change-settings', settings: { ...settings, ...patch } }),
});

export const DESK_COMMANDS: readonly DeskCommand[] = [
  acting('sweep', 'Sweep all windows away'),
  acting('put-back', 'Put back what was put away last'),
  acting('reopen', 'Reopen what ended last'),
  acting('minimise', 'Minimise the front window'),
  acting('minimise-all', 'Minimise all windows of the front application'),
  acting('hide-or-show', 'Hide the front application'),
  acting('solo', 'Solo: hide all but the front application'),
  acting('close', 'Close the front window'),
  acting('close-all', 'Close all windows of the front application'),
  acting('quit', 'Quit the front application'),
  acting('end-now', 'End the front application now'),
  { id: 'settings', title: 'Settings', key: null, page: 'settings' },
  { id: 'export', title: 'Export this desk as a session document', key: null, page: 'export' },
  {
    id: 'forget',
    title: 'Forget what search has learned',
    key: null,
    wish: () => ({ type: 'forget-choices', choice: null }),
  },
  setting('day', 'Day colours', { theme: 'day' }),
  setting('night', 'Night colours', { theme: 'night' }),
];
