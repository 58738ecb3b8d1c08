import type { HeldKey } from '../keys/key-map';
import type { Wish } from '../session/commands';
import type { Session } from '../session/session';

/** What a command asks of the page rather than of the session. */
export type PageRequest = 'settings' | 'export';

/** One of Key Fold's own commands. */
export interface DeskCommand {
  readonly id: string;
  readonly title: string;
  /** The held key that does the same, if there is one. */
  readonly key: HeldKey | null;
  readonly wish?: (session: Session) => Wish;
  readonly page?: PageRequest;
}

const setting =
  (patch: Partial<Session['settings']>) =>
  (session: Session): Wish => ({ type: 'change-settings', settings: { ...session.settings, ...patch } });

export const DESK_COMMANDS: readonly DeskCommand[] = [
  { id: 'sweep', title: 'Sweep all windows away', key: 'sweep', wish: () => ({ type: 'sweep' }) },
  {
    id: 'put-back',
    title: 'Put back what was put away last',
    key: 'put-back',
    wish: () => ({ type: 'put-back' }),
  },
  { id: 'reopen', title: 'Reopen what ended last', key: 'reopen', wish: () => ({ type: 'reopen' }) },
  { id: 'settings', title: 'Settings', key: null, page: 'settings' },
  { id: 'export', title: 'Export this desk as a session document', key: null, page: 'export' },
  {
    id: 'forget',
    title: 'Forget what search has learned',
    key: null,
    wish: () => ({ type: 'forget-choices', choice: null }),
  },
  { id: 'day', title: 'Day colours', key: null, wish: setting({ theme: 'day' }) },
  { id: 'night', title: 'Night colours', key: null, wish: setting({ theme: 'night' }) },
];
