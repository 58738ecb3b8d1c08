/** Closing, quitting, ending now, and reopening (switching rules 11 and 12). Nothing unsaved is ever lost. */
import type { Course } from '../../host/course';
import type { ApplicationId, DocumentId, WindowId } from '../../model/ids';
import { has, idsIn } from '../../model/table';
import { applicationOf } from '../../slices/applications/selectors';
import { draftedDocuments, hasDraft, isDraftLeft, isUnsaved } from '../../slices/drafts/selectors';
import { endedAs, hasNewerDraft } from '../../slices/ended/selectors';
import type { Ended } from '../../slices/ended/state';
import { windowsOf } from '../../slices/recency/selectors';
import { isAsking, isDropping, shows, windowOf, windowToChoose } from '../../slices/windows/selectors';
import type { AppWindow, ClosingGoal } from '../../slices/windows/state';
import { commandKind } from '../command';
import { showDocument } from './coming-forward';
import { activate, reopenTab, shutTab, tabOf } from './tabs';

/** Closes a window, asking in it first if it holds unsaved work. */
export const close = commandKind({
  type: 'close',
  fields: { window: 'window' },
  unforeseen: true,
  decide(course, { window: id }) {
    const window = windowOf(course.session, id);
    closeWindows(course, window.application, [window]);
  },
});

/** Closes all windows of an application; those with unsaved work ask. */
export const closeAll = commandKind({
  type: 'close-all',
  fields: { application: 'application' },
  unforeseen: true,
  decide: (course, { application }) =>
    closeWindows(course, application, windowsOf(course.session, application)),
});

/** Closes a tab, asking first if it holds unsaved work; the last one takes its window along. */
export const closeTab = commandKind({
  type: 'close-tab',
  fields: { window: 'window', tab: 'tab' },
  unforeseen: true,
  decide(course, { window: id, tab: tabId }) {
    const tab = tabOf(course, id, tabId);
    const window = windowOf(course.session, id);
    const { application } = window;
    if (window.tabs.length === 1) return close.decide(course, { window: id });
    if (!applicationOf(course.session, application).answering)
      return course.notice({ type: 'does-not-answer', application });
    if (isAsking(window)) return course.notice({ type: 'already-asking', application });
    // What another tab shows goes on there.
    const elsewhere = window.tabs.some((one) => one.id !== tabId && one.document === tab.document);
    if (elsewhere || window.offeringDraft || !hasDraft(course.session, tab.document))
      return shutTab(course, id, tabId);
    activate(course, id, tabId);
    course.happen({ type: 'closing-asked', windows: [id], goal: 'tab', tab: tabId });
  },
});

/** Quits an application once all its unsaved windows have answered. */
export const quit = commandKind({
  type: 'quit',
  fields: { application: 'application' },
  unforeseen: true,
  decide(course, { application }) {
    const { answering, quitting, resident, running } = applicationOf(course.session, application);
    if (!running) return course.notice({ type: 'not-running', application });
    if (resident) return course.notice({ type: 'stays-resident', application });
    if (!answering) return course.notice({ type: 'does-not-answer', application });
    const unsaved = windowsOf(course.session, application).filter((window) =>
      isUnsaved(course.session, window),
    );
    if (unsaved.length === 0) return end(course, application);
    const calm = unsaved.filter((window) => window.asking?.goal !== 'quit');
    if (quitting && calm.length === 0) return course.notice({ type: 'already-asking', application });
    if (!quitting) course.happen({ type: 'quit-begun', application });
    ask(course, calm, 'quit');
  },
});

/** Ends an application without asking; its drafts stay and are offered at the next launch. A resident one restarts. */
export const endNow = commandKind({
  type: 'end-now',
  fields: { application: 'application' },
  unforeseen: true,
  decide(course, { application }) {
    const { resident, running } = applicationOf(course.session, application);
    if (!running) return course.notice({ type: 'not-running', application });
    if (resident) course.happen({ type: 'application-restarted', application });
    else end(course, application);
  },
});

/** Answers the question in a window. */
export const answerClosing = commandKind({
  type: 'answer-closing',
  fields: { window: 'window', answer: ['save', 'drop', 'keep-open'] },
  unforeseen: true,
  decide(course, { window: id, answer }) {
    const window = windowOf(course.session, id);
    const { application, asking } = window;
    if (!asking) return;
    if (answer === 'keep-open') {
      if (asking.goal === 'quit') course.happen({ type: 'quit-cancelled', application });
      else course.happen({ type: 'closing-settled', window: id, answer });
      return;
    }
    const asked = asking.tab === undefined ? window : { ...window, tabs: [tabOf(course, id, asking.tab)] };
    const documents = draftedDocuments(course.session, asked);
    if (answer === 'save' && documents.length > 0) course.happen({ type: 'drafts-saved', documents });
    if (asking.tab !== undefined && window.tabs.length > 1)
      return shutTab(course, id, asking.tab, answer === 'drop' ? documents : []);
    if (asking.goal !== 'quit')
      return shut(course, application, [window], answer === 'drop' ? documents : []);
    const settled = answer === 'drop' ? answer : 'keep-open';
    if (!(asking.dropping && answer === 'drop'))
      course.happen({ type: 'closing-settled', window: id, answer: settled });
    finishQuit(course, application);
  },
});

/** Reopens what ended (null: last), where it was; drafts that were discarded with it are offered. */
export const reopen = commandKind({
  type: 'reopen',
  fields: { entry: 'entry' },
  unforeseen: true,
  grows: true,
  decide(course, { entry }) {
    const last = endedAs(course.session, entry);
    if (!last) return course.notice({ type: 'nothing-to-reopen' });
    const [first] = last.discarded;
    const again = last.discarded.filter((one) => !hasNewerDraft(course.session, one));
    if (last.kind === 'draft' && first && again.length === 0)
      return course.notice({ type: 'newer-draft', document: first.document });
    const { application } = last;
    const { running } = applicationOf(course.session, application);
    course.happen({ type: 'ended-reopened', entry: last.id });
    if (last.kind === 'draft')
      return offerAgain(
        course,
        application,
        again.map(({ document }) => document),
      );
    if (!running) course.happen({ type: 'application-launched', application });
    if (last.tab) return reopenTab(course, last.tab);
    reopenWindows(course, last.windows);
    restackReopened(course, last);
    const front = windowToChoose(course.session, idsIn(last.windows));
    if (front !== null) course.bringToFront(front);
    else course.fillFront();
  },
});

/** What does not answer cannot close its windows; windows with unsaved work ask instead. */
function closeWindows(course: Course, application: ApplicationId, windows: readonly AppWindow[]): void {
  const { answering, running } = applicationOf(course.session, application);
  if (!running) return course.notice({ type: 'not-running', application });
  if (windows.length === 0) return course.notice({ type: 'nothing-to-close', application });
  if (!answering) return course.notice({ type: 'does-not-answer', application });
  const unsaved = new Set(windows.filter((window) => isUnsaved(course.session, window)));
  const calm = [...unsaved].filter((window) => window.asking?.goal !== 'close');
  if (calm.length === 0 && unsaved.size === windows.length)
    return course.notice({ type: 'already-asking', application });
  ask(course, calm, 'close');
  shut(
    course,
    application,
    windows.filter((window) => !unsaved.has(window)),
  );
}

/** Ends a quitting application when no window waits for an answer any more; only then are discarded drafts gone. */
function finishQuit(course: Course, application: ApplicationId): void {
  const windows = windowsOf(course.session, application);
  const waiting = windows.filter((window) => isUnsaved(course.session, window) && !isDropping(window));
  // Work that was written after the quit began is asked about as well.
  ask(
    course,
    waiting.filter((window) => !window.asking),
    'quit',
  );
  if (waiting.length > 0) return;
  const dropping = windows.filter(isDropping);
  const discarded = new Set(dropping.flatMap((window) => draftedDocuments(course.session, window)));
  end(course, application, [...discarded]);
}

/** Most recent first: they join the end of the order of recent use in the order they had. */
function reopenWindows(course: Course, windows: readonly AppWindow[]): void {
  const { session } = course;
  const reopened = windows.map((window) => ({
    ...window,
    workspace: has(session.workspaces, window.workspace) ? window.workspace : session.workspace,
    offeringDraft: window.tabs.some((tab) => isDraftLeft(session, tab.document)),
  }));
  if (reopened.length > 0) course.happen({ type: 'windows-opened', windows: reopened });
}

/** Offers discarded drafts once more: in the windows that show their documents, else in new ones. */
function offerAgain(course: Course, id: ApplicationId, documents: readonly DocumentId[]): void {
  const showing = windowsOf(course.session, id)
    .filter((window) => documents.some((document) => shows(window, document)))
    .map((window) => window.id);
  if (showing.length > 0) course.happen({ type: 'offers-changed', windows: showing, offering: true });
  for (const document of documents) showDocument(course, document);
}

/** Puts reopened windows back between the neighbours they had. */
function restackReopened(course: Course, last: Ended): void {
  const reopened = new Set(idsIn(last.windows));
  const others = course.session.stacking.filter((id) => !reopened.has(id));
  const there = new Set(others);
  // Each one goes above the nearest window below it that is still there; those without one go to the bottom.
  const above = new Map<WindowId | null, WindowId[]>();
  let below: WindowId | null = null;
  for (const id of last.stacking)
    if (there.has(id)) below = id;
    else if (reopened.has(id)) above.set(below, [...(above.get(below) ?? []), id]);
  const stacking = [...(above.get(null) ?? []), ...others.flatMap((id) => [id, ...(above.get(id) ?? [])])];
  course.happen({ type: 'windows-restacked', stacking });
}

function ask(course: Course, windows: readonly AppWindow[], goal: ClosingGoal): void {
  if (windows.length > 0) course.happen({ type: 'closing-asked', windows: idsIn(windows), goal });
}

/** Closes without asking, and ends the application if these were its last windows and that is its way. */
function shut(
  course: Course,
  application: ApplicationId,
  windows: readonly AppWindow[],
  discarded: readonly DocumentId[] = [],
): void {
  if (windows.length === 0) return;
  course.happen({ type: 'windows-closed', windows: idsIn(windows), discarded, entry: course.newEntry() });
  const { quitsWithLastWindow, resident } = applicationOf(course.session, application);
  if (quitsWithLastWindow && !resident && windowsOf(course.session, application).length === 0)
    end(course, application);
  else course.fillFront();
}

function end(course: Course, application: ApplicationId, discarded: readonly DocumentId[] = []): void {
  course.happen({ type: 'application-ended', application, discarded, entry: course.newEntry() });
  course.fillFront();
}
