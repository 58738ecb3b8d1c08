import type { ApplicationId } from '../../model/ids';
import { find } from '../../model/table';
import type { ApplicationsState } from '../applications/state';
import type { DocumentsState } from '../documents/state';
import type { SetupEvents } from './events';
import { GUEST_KINDS, type Guest, type SetupChange, type SetupState } from './state';

/** The guest with this id; null if there is none, or if that application is no guest. */
export function guestOf(
  { applications, documents }: ApplicationsState & DocumentsState,
  id: ApplicationId,
): Guest | null {
  const application = find(applications, id);
  const home = application && find(documents, application.home);
  const kind = GUEST_KINDS.find((one) => one === home?.kind);
  if (!application || !home || !kind) return null;
  const { name, monogram, hue } = application;
  return { id, name, monogram, hue, home: home.id, kind, text: home.text };
}

/** The guests of a session, in the order of its applications. */
export const guestsOf = (session: ApplicationsState & DocumentsState): Guest[] =>
  session.applications.flatMap(({ id }) => guestOf(session, id) ?? []);

/**
 * What a change makes of the session before it. Null once it has been made: written down when its batch is taken, it is
 * foreseen once more on top of that.
 */
export const changeMade = (
  { setupsBefore }: SetupState,
  event: SetupEvents['setup-changed'],
): SetupChange | null => (setupsBefore.some(({ id }) => id === event.entry) ? null : event);

/** What undoing makes of the session before it; null if there is nothing to undo any more. */
export const changeUndone = (
  { setupsBefore }: SetupState,
  { entry }: SetupEvents['setup-put-back'],
): SetupChange | null => find(setupsBefore, entry) ?? null;

/** The guests that go with a change. What runs stays. */
export const leaving = ({ applications }: ApplicationsState, { guests }: SetupChange): ApplicationId[] =>
  guests.flatMap(({ application, to }) =>
    to === null && find(applications, application)?.running === false ? [application] : [],
  );

/** The documents that go with a change: the homes of what leaves. */
export const homesLeaving = (session: ApplicationsState, change: SetupChange): string[] =>
  leaving(session, change).flatMap((id) => find(session.applications, id)?.home ?? []);

const NOTHING: SetupChange = { settings: null, places: null, shortcuts: [], keys: [], guests: [] };

/** The wish that adds a guest, or changes it. */
export const changingGuest = (guest: Guest) =>
  ({ type: 'change-setup', setup: { ...NOTHING, guests: [{ application: guest.id, to: guest }] } }) as const;

/** The wish that removes a guest. */
export const removingGuest = (application: ApplicationId) =>
  ({ type: 'change-setup', setup: { ...NOTHING, guests: [{ application, to: null }] } }) as const;
