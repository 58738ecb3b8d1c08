import type { ApplicationId } from '../../model/ids';
import { has, patch } from '../../model/table';
import type { DocumentsState } from '../documents/state';
import { unless, type Slice } from '../slice';
import type { ApplicationEvents } from './events';
import { applicationOf } from './selectors';
import type { Application, ApplicationsState } from './state';

type Heard = object;

/** What runs, and how it is. */
export const applications: Slice<ApplicationsState, ApplicationEvents, Heard, DocumentsState> = {
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
