/** Closing, quitting, ending now, and reopening (switching rules 11 and 12). Nothing unsaved is ever lost. */
import type { Application, ApplicationId, DocumentId, Ended, Window, WindowId } from '../session/session';
import {
  applicationOf,
  draftedDocuments,
  isDraftLeft,
  isUnsaved,
  shows,
  windowOf,
  windowsOf,
  windowToChoose,
} from '../session/views';
import { openDocument } from './coming-forward';
import type { Course } from './course';

/** Closes a window, asking in it first if it holds unsaved work. */
export function close(course: Course, id: WindowId): void {
  const window = windowOf(course.session, id);
  closeWindows(course, window.application, [window]);
}

/** Closes all windows of an application; those with unsaved work ask. */
export function closeAll(course: Course, id: ApplicationId): void {
  closeWindows(course, id, windowsOf(course.session, id));
}

/** What does not answer cannot close its windows; windows with unsaved work ask instead. */
function closeWindows(course: Course, id: ApplicationId, windows: readonly Window[]): void {
  const { answering, running } = applicationOf(course.session, id);
  if (!running) return course.notice({ type: 'not-running', application: id });
  if (windows.length === 0) return course.notice({ type: 'nothing-to-close', application: id });
  if (!answering) return course.notice({ type: 'does-not-answer', application: id });
  const unsaved = windows.filter((window) => isUnsaved(course.session, window));
  ask(course, unsaved, 'close');
  const asking = new Set(unsaved);
  shut(
    course,
    id,
    windows.filter((window) => !asking.has(window)),
  );
}

/** Quits an application once all its unsaved windows have answered. */
export function quit(course: Course, id: ApplicationId): void {
  const application = applicationOf(course.session, id);
  if (!application.running) return course.notice({ type: 'not-running', application: id });
  if (application.resident) return course.notice({ type: 'stays-resident', application: id });
  if (!application.answering) return course.notice({ type: 'does-not-answer', application: id });
  const unsaved = windowsOf(course.session, id).filter((window) => isUnsaved(course.session, window));
  if (unsaved.length === 0) return end(course, application);
  const calm = unsaved.filter((window) => window.asking?.goal !== 'quit');
  if (application.quitting && calm.length === 0)
    return course.notice({ type: 'already-asking', application: id });
  if (!application.quitting) course.happen({ type: 'quit-begun', application: id });
  ask(course, calm, 'quit');
}

/** Ends an application without asking; its drafts stay and are offered at the next launch. A resident one restarts. */
export function endNow(course: Course, id: ApplicationId): void {
  const application = applicationOf(course.session, id);
  if (!application.running) return course.notice({ type: 'not-running', application: id });
  if (application.resident) course.happen({ type: 'application-restarted', application: id });
  else end(course, application);
}

/** Answers the question in a window. */
export function answerClosing(course: Course, id: WindowId, answer: 'save' | 'drop' | 'keep-open'): void {
  const window = windowOf(course.session, id);
  if (!window.asking) return;
  const quitting = window.asking.goal === 'quit';
  if (answer === 'keep-open') {
    if (quitting) course.happen({ type: 'quit-cancelled', application: window.application });
    else course.happen({ type: 'closing-settled', window: id, answer });
    return;
  }
  const documents = draftedDocuments(course.session, window);
  if (answer === 'save' && documents.length > 0) course.happen({ type: 'drafts-saved', documents });
  if (!quitting) return shut(course, window.application, [window], answer === 'drop' ? documents : []);
  if (answer === 'drop') course.happen({ type: 'closing-settled', window: id, answer });
  else course.happen({ type: 'closing-settled', window: id, answer: 'keep-open' });
  finishQuit(course, window.application);
}

/** Ends a quitting application when no window waits for an answer any more; only then are discarded drafts gone. */
function finishQuit(course: Course, id: ApplicationId): void {
  const windows = windowsOf(course.session, id);
  const waiting = windows.filter((window) => isUnsaved(course.session, window) && !window.asking?.dropping);
  // Work that was written after the quit began is asked about as well.
  ask(
    course,
    waiting.filter((window) => !window.asking),
    'quit',
  );
  if (waiting.length > 0) return;
  const dropping = windows.filter((window) => window.asking?.dropping);
  const discarded = new Set(dropping.flatMap((window) => draftedDocuments(course.session, window)));
  end(course, applicationOf(course.session, id), [...discarded]);
}

/** Reopens what ended last, where it was; drafts that were discarded with it are offered. */
export function reopen(course: Course): void {
  const last = course.session.ended.at(-1);
  if (!last) return course.notice({ type: 'nothing-to-reopen' });
  const [first] = last.discarded;
  const hasNewer = ({ document }: { document: DocumentId }) => Object.hasOwn(course.session.drafts, document);
  if (last.kind === 'draft' && first && last.discarded.every(hasNewer))
    return course.notice({ type: 'newer-draft', document: first.document });
  const discarded = last.discarded.filter((one) => !hasNewer(one)).map(({ document }) => document);
  const { running } = applicationOf(course.session, last.application);
  course.happen({ type: 'ended-reopened' });
  if (last.kind === 'draft') return offerAgain(course, last.application, discarded);
  if (!running) course.happen({ type: 'application-launched', application: last.application });
  reopenWindows(course, last.windows);
  restackReopened(course, last);
  const front = windowToChoose(
    course.session,
    last.windows.map(({ id }) => id),
  );
  if (front !== null) course.bringToFront(front);
  else course.fillFront();
}

/** Most recent first: they join the end of the order of recent use in the order they had. */
function reopenWindows(course: Course, windows: readonly Window[]): void {
  const workspaces = new Set(course.session.workspaces.map(({ id }) => id));
  const reopened = windows.map((window) => ({
    ...window,
    workspace: workspaces.has(window.workspace) ? window.workspace : course.session.workspace,
    offeringDraft: window.tabs.some((tab) => isDraftLeft(course.session, tab.document)),
  }));
  if (reopened.length > 0) course.happen({ type: 'windows-opened', windows: reopened });
}

/** Offers discarded drafts once more: in the windows that show their documents, else in new ones. */
function offerAgain(course: Course, id: ApplicationId, documents: readonly DocumentId[]): void {
  const showing = windowsOf(course.session, id)
    .filter((window) => documents.some((document) => shows(window, document)))
    .map((window) => window.id);
  if (showing.length > 0) course.happen({ type: 'offers-changed', windows: showing, offering: true });
  for (const document of documents) openDocument(course, document);
}

/** Puts reopened windows back between the neighbours they had. */
function restackReopened(course: Course, last: Ended): void {
  const reopened = new Set(last.windows.map((window) => window.id));
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

function ask(course: Course, windows: readonly Window[], goal: 'close' | 'quit'): void {
  if (windows.length === 0) return;
  course.happen({ type: 'closing-asked', windows: windows.map(({ id }) => id), goal });
}

/** Closes without asking, and ends the application if these were its last windows and that is its way. */
function shut(
  course: Course,
  id: ApplicationId,
  windows: readonly Window[],
  discarded: readonly DocumentId[] = [],
): void {
  if (windows.length === 0) return;
  course.happen({ type: 'windows-closed', windows: windows.map((window) => window.id), discarded });
  const { quitsWithLastWindow, resident } = applicationOf(course.session, id);
  if (quitsWithLastWindow && !resident && windowsOf(course.session, id).length === 0)
    course.happen({ type: 'application-ended', application: id, discarded: [] });
  course.fillFront();
}

function end(course: Course, { id }: Application, discarded: readonly DocumentId[] = []): void {
  course.happen({ type: 'application-ended', application: id, discarded });
  course.fillFront();
}
