import { idsOf } from '../recency/order';
import { PLACE_COUNT, type Session } from './session';
import { frontApplication, isVisible } from './views';

/** Something that is wrong with a session. */
export interface SessionProblem {
  /** Where: a property of the session, then the id of an entry, then a property of that. */
  readonly path: readonly string[];
  readonly detail: string;
}

/** Everything that is wrong with a session; an empty list for a valid one. */
export function problemsOf(session: Session): SessionProblem[] {
  const problems: SessionProblem[] = [];
  const check = (holds: boolean, path: readonly string[], detail: string) => {
    if (!holds) problems.push({ path, detail });
  };
  const workspaces = new Set(session.workspaces.map((workspace) => workspace.id));
  const windows = Object.values(session.windows);
  const applications = Object.values(session.applications);

  check(workspaces.size === session.workspaces.length, ['workspaces'], 'an id is used twice');
  check(workspaces.has(session.workspace), ['workspace'], `there is no workspace '${session.workspace}'`);
  check(session.places.length === PLACE_COUNT, ['places'], `there are ${PLACE_COUNT} of them`);
  for (const place of session.places)
    check(
      place === null || Object.hasOwn(session.applications, place),
      ['places'],
      `there is no application '${place}'`,
    );

  for (const { id, home, running, hidden, quitting } of applications) {
    const at = (property: string) => ['applications', id, property];
    check(Object.hasOwn(session.documents, home), at('home'), `there is no document '${home}'`);
    check(running || !hidden, at('hidden'), 'it does not run');
    check(running || !quitting, at('quitting'), 'it does not run');
  }
  for (const { application, id } of Object.values(session.documents)) {
    const known = Object.hasOwn(session.applications, application);
    check(known, ['documents', id, 'application'], `there is no application '${application}'`);
  }
  for (const id of Object.keys(session.drafts))
    check(Object.hasOwn(session.documents, id), ['drafts', id], `there is no document '${id}'`);

  for (const window of windows) {
    const at = (property: string) => ['windows', window.id, property];
    const application = session.applications[window.application];
    check(application !== undefined, at('application'), `there is no application '${window.application}'`);
    check(application?.running !== false, at('application'), `'${window.application}' does not run`);
    check(workspaces.has(window.workspace), at('workspace'), `there is no workspace '${window.workspace}'`);
    const tabs = new Set(window.tabs.map((tab) => tab.id));
    check(tabs.size === window.tabs.length, at('tabs'), 'an id is used twice');
    check(tabs.has(window.activeTab), at('activeTab'), `there is no tab '${window.activeTab}'`);
    for (const { document } of window.tabs)
      check(Object.hasOwn(session.documents, document), at('tabs'), `there is no document '${document}'`);
  }

  const running = applications.filter((application) => application.running).map(({ id }) => id);
  const windowIds = windows.map((window) => window.id);
  check(
    isPermutation(idsOf(session.recent.applications), running),
    ['recent', 'applications'],
    'must list what runs, once each',
  );
  check(
    isPermutation(idsOf(session.recent.windows), windowIds),
    ['recent', 'windows'],
    'must list every window once',
  );
  check(isPermutation(session.stacking, windowIds), ['stacking'], 'must list every window once');

  if (session.front !== null && problems.length === 0) {
    const front = session.windows[session.front];
    check(front !== undefined && isVisible(session, front), ['front'], 'must be a window that can be seen');
    if (front) {
      check(session.recent.windows[0]?.id === front.id, ['front'], 'must head recent.windows');
      check(
        session.recent.applications[0]?.id === frontApplication(session),
        ['front'],
        'its application must head recent.applications',
      );
      check(session.stacking.at(-1) === front.id, ['front'], 'must lie on top of the stacking');
    }
  }
  return problems;
}

function isPermutation(list: readonly string[], of: readonly string[]): boolean {
  const set = new Set(list);
  return list.length === of.length && set.size === list.length && of.every((id) => set.has(id));
}
