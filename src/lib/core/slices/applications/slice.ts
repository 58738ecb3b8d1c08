import type { ApplicationId } from '../../model/ids';
import { has, patch, putAll, remove } from '../../model/table';
import type { DocumentsState } from '../documents/state';
import type { FoundApplication, HostEvents } from '../host/events';
import type { SetupEvents } from '../setup/events';
import { changeMade, changeUndone, leaving } from '../setup/selectors';
import type { SetupChange, SetupState } from '../setup/state';
import { unless, type Slice } from '../slice';
import type { ApplicationEvents } from './events';
import { applicationOf } from './selectors';
import type { Application, ApplicationsState } from './state';

type Heard = SetupEvents & Pick<HostEvents, 'applications-found'>;

/** What runs, and how it is. */
export const applications: Slice<ApplicationsState, ApplicationEvents, Heard, DocumentsState & SetupState> = {
  name: 'applications',
  initial: { applications: [] },
  on: {
    'application-launched': (before, { application }) =>
      answers(changed(before, [application], { running: true, hidden: false }), application),
    'applications-hidden': (before, event) => changed(before, event.applications, { hidden: true }),
    'applications-shown': (before, event) => changed(before, event.applications, { hidden: false }),
    'application-stopped-answering': (before, { application, at }) =>
      changed(before, [application], { answering: false, ...(at !== undefined && { silentSince: at }) }),
    'application-answers-again': (before, { application }) => answers(before, application),
    'application-restarted': (before, { application }) =>
      answers(changed(before, [application], { quitting: false }), application),
    'application-ended': (before, { application }) =>
      answers(
        changed(before, [application], { running: false, hidden: false, quitting: false }),
        application,
      ),
    'quit-begun': (before, { application }) => changed(before, [application], { quitting: true }),
    'quit-cancelled': (before, { application }) => changed(before, [application], { quitting: false }),
    'applications-found': (before, event) => ({
      applications: putAll(before.applications, event.applications, foundAs),
    }),
    'setup-changed': (before, event) => withGuests(before, changeMade(before, event)),
    'setup-put-back': (before, event) => withGuests(before, changeUndone(before, event)),
  },
  covers: {
    hides: (session, window) => applicationOf(session, window.application).hidden,
    uncover: (_session, window) => [{ type: 'applications-shown', applications: [window.application] }],
  },
  problems: ({ applications, documents }) =>
    applications.flatMap(({ id, home, running, hidden, quitting, answering, silentSince }) => [
      ...unless(silentSince === undefined || !answering, ['applications', id, 'silentSince'], 'it answers'),
      ...unless(has(documents, home), ['applications', id, 'home'], `there is no document '${home}'`),
      ...unless(running || !hidden, ['applications', id, 'hidden'], 'it does not run'),
      ...unless(running || !quitting, ['applications', id, 'quitting'], 'it does not run'),
    ]),
};

const changed = (
  { applications }: ApplicationsState,
  ids: readonly ApplicationId[],
  change: Partial<Application>,
): ApplicationsState => ({
  applications: patch(applications, ids, 'application', (application) => ({ ...application, ...change })),
});

const answers = ({ applications }: ApplicationsState, id: ApplicationId): ApplicationsState => ({
  applications: patch(applications, [id], 'application', ({ silentSince: _over, ...application }) => ({
    ...application,
    answering: true,
  })),
});

/** Guests come at the end, keep their place while they are changed, and go unless they run. */
function withGuests(before: ApplicationsState, change: SetupChange | null): Partial<ApplicationsState> {
  if (!change || change.guests.length === 0) return {};
  const guests = change.guests.flatMap(({ to }) => to ?? []);
  return { applications: putAll(remove(before.applications, leaving(before, change)), guests, foundAs) };
}

/** One that is there stays as it is but for what it is called; a new one does not run. */
function foundAs(
  { id, name, monogram, hue, home }: FoundApplication,
  before: Application | undefined,
): Application {
  const called = { id, name, monogram, hue, home };
  if (before) return { ...before, ...called };
  const state = { running: false, hidden: false, answering: true, quitting: false };
  return { ...called, ...state, resident: false, quitsWithLastWindow: true };
}
