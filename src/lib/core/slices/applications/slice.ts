import type { ApplicationId } from '../../model/ids';
import { add, has, patch, remove } from '../../model/table';
import type { DocumentsState } from '../documents/state';
import type { SetupEvents } from '../setup/events';
import { changeMade, changeUndone, leaving } from '../setup/selectors';
import type { Guest, SetupChange, SetupState } from '../setup/state';
import { unless, type Slice } from '../slice';
import type { ApplicationEvents } from './events';
import { applicationOf } from './selectors';
import type { Application, ApplicationsState } from './state';

type Heard = SetupEvents;

/** What runs, and how it is. */
export const applications: Slice<ApplicationsState, ApplicationEvents, Heard, DocumentsState & SetupState> = {
  name: 'applications',
  initial: { applications: [] },
  on: {
    'application-launched': (before, { application }) =>
      changed(before, [application], { running: true, hidden: false, answering: true }),
    'applications-hidden': (before, event) => changed(before, event.applications, { hidden: true }),
    'applications-shown': (before, event) => changed(before, event.applications, { hidden: false }),
    'application-stopped-answering': (before, { application }) =>
      changed(before, [application], { answering: false }),
    'application-restarted': (before, { application }) =>
      changed(before, [application], { answering: true, quitting: false }),
    'application-ended': (before, { application }) =>
      changed(before, [application], { running: false, hidden: false, quitting: false, answering: true }),
    'quit-begun': (before, { application }) => changed(before, [application], { quitting: true }),
    'quit-cancelled': (before, { application }) => changed(before, [application], { quitting: false }),
    'setup-changed': (before, event) => withGuests(before, changeMade(before, event)),
    'setup-put-back': (before, event) => withGuests(before, changeUndone(before, event)),
  },
  covers: {
    hides: (session, window) => applicationOf(session, window.application).hidden,
    uncover: (_session, window) => [{ type: 'applications-shown', applications: [window.application] }],
  },
  problems: ({ applications, documents }) =>
    applications.flatMap(({ id, home, running, hidden, quitting }) => [
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

/** Guests come at the end, keep their place while they are changed, and go unless they run. */
function withGuests(before: ApplicationsState, change: SetupChange | null): Partial<ApplicationsState> {
  if (!change || change.guests.length === 0) return {};
  let applications = remove(before.applications, leaving(before, change));
  for (const { to } of change.guests) if (to) applications = withGuest(applications, to);
  return { applications };
}

function withGuest(
  table: ApplicationsState['applications'],
  guest: Guest,
): ApplicationsState['applications'] {
  const { id, name, monogram, hue, home } = guest;
  if (has(table, id))
    return patch(table, [id], 'application', (application) => ({
      ...application,
      name,
      monogram,
      hue,
      home,
    }));
  const state = { running: false, hidden: false, answering: true, quitting: false };
  return add(table, [
    { id, name, monogram, hue, ...state, resident: false, quitsWithLastWindow: true, home },
  ]);
}
