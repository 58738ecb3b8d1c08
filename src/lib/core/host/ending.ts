/** Closing, quitting, ending now, and reopening (switching rules 11 and 12). Nothing unsaved is ever lost. */
import type { Application, ApplicationId, Ended, Window, WindowId } from '../session/session';
import { applicationOf, isUnsaved, windowOf, windowsOf } from '../session/views';
import type { Course } from './course';

/** Closes a window, asking in it first if it holds unsaved work. What does not answer cannot close its windows. */
export function close(course: Course, id: WindowId): void {
  const window = windowOf(course.session, id);
  const application = applicationOf(course.session, window.application);
  if (!application.answering) return course.notice({ type: 'does-not-answer', application: application.id });
  if (isUnsaved(course.session, window)) ask(course, window, 'close');
  else shut(course, window);
}

/** Closes all windows of an application; those with unsaved work ask. */
export function closeAll(course: Course, id: ApplicationId): void {
  const windows = windowsOf(course.session, id);
  if (windows.length === 0) return course.notice({ type: 'nothing-to-close', application: id });
  for (const window of windows) if (course.session.windows[window.id]) close(course, window.id);
}

/** Quits an application once all its unsaved windows have answered. */
export function quit(course: Course, id: ApplicationId): void {
  const application = applicationOf(course.session, id);
  if (!application.running) return course.notice({ type: 'nothing-to-close', application: id });
  if (application.resident) return course.notice({ type: 'stays-resident', application: id });
  if (!application.answering) return course.notice({ type: 'does-not-answer', application: id });
  const unsaved = windowsOf(course.session, id).filter((window) => isUnsaved(course.session, window));
  if (unsaved.length === 0) return end(course, application);
  if (!application.quitting) course.happen({ type: 'quit-begun', application: id });
  for (const window of unsaved) if (window.asking?.goal !== 'quit') ask(course, window, 'quit');
}

/** Ends an application without asking; its drafts stay and are offered at the next launch. A resident one restarts. */
export function endNow(course: Course, id: ApplicationId): void {
  const application = applicationOf(course.session, id);
  if (!application.running) return course.notice({ type: 'nothing-to-close', application: id });
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
  if (answer === 'save') saveAll(course, window);
  if (!quitting) {
    if (answer === 'drop') dropAll(course, window);
    return shut(course, window);
  }
  if (answer === 'drop') course.happen({ type: 'closing-settled', window: id, answer });
  else course.happen({ type: 'closing-settled', window: id, answer: 'keep-open' });
  finishQuit(course, window.application);
}

/** Ends a quitting application when no window waits for an answer any more; only then are dropped drafts gone. */
function finishQuit(course: Course, id: ApplicationId): void {
  const windows = windowsOf(course.session, id);
  const waiting = windows.filter((window) => isUnsaved(course.session, window) && !window.asking?.dropping);
  // Work that was written after the quit began is asked about as well.
  for (const window of waiting) if (!window.asking) ask(course, window, 'quit');
  if (waiting.length > 0) return;
  for (const window of windows) if (window.asking?.dropping) dropAll(course, window);
  end(course, applicationOf(course.session, id));
}

/** Reopens the window or the application that ended last, where it was. */
export function reopen(course: Course): void {
  const last = course.session.ended.at(-1);
  if (!last) return course.notice({ type: 'nothing-to-reopen' });
  const { running } = applicationOf(course.session, last.application);
  course.happen({ type: 'ended-reopened' });
  if (!running) course.happen({ type: 'application-launched', application: last.application });
  // Most recent first: they join the end of the order of recent use in the order they had.
  for (const window of last.windows) {
    const offeringDraft = window.tabs.some((tab) => Object.hasOwn(course.session.drafts, tab.document));
    const workspace = course.session.workspaces.some(({ id }) => id === window.workspace)
      ? window.workspace
      : course.session.workspace;
    course.happen({ type: 'window-opened', window: { ...window, workspace, offeringDraft } });
  }
  restackReopened(course, last);
  const front = last.windows.find((window) => !window.minimised) ?? last.windows[0];
  if (front) course.bringToFront(front.id);
  else course.fillFront();
}

/** Puts reopened windows back between the neighbours they had. */
function restackReopened(course: Course, last: Ended): void {
  const reopened = new Set(last.windows.map((window) => window.id));
  const stacking = course.session.stacking.filter((id) => !reopened.has(id));
  for (const id of last.stacking) {
    if (!reopened.has(id)) continue;
    const below = last.stacking
      .slice(0, last.stacking.indexOf(id))
      .findLast((other) => stacking.includes(other));
    stacking.splice(below === undefined ? 0 : stacking.indexOf(below) + 1, 0, id);
  }
  course.happen({ type: 'windows-restacked', stacking });
}

function ask(course: Course, window: Window, goal: 'close' | 'quit'): void {
  course.happen({ type: 'closing-asked', window: window.id, goal });
}

/** Closes without asking, and ends the application if this was its last window and that is its way. */
function shut(course: Course, window: Window): void {
  const application = applicationOf(course.session, window.application);
  course.happen({ type: 'window-closed', window: window.id });
  const last = windowsOf(course.session, application.id).length === 0;
  if (last && application.quitsWithLastWindow && !application.resident)
    course.happen({ type: 'application-ended', application: application.id });
  course.fillFront();
}

function end(course: Course, application: Application): void {
  course.happen({ type: 'application-ended', application: application.id });
  course.fillFront();
}

const draftedDocuments = (course: Course, window: Window): string[] =>
  window.tabs.map((tab) => tab.document).filter((document) => Object.hasOwn(course.session.drafts, document));

function saveAll(course: Course, window: Window): void {
  for (const document of draftedDocuments(course, window)) course.happen({ type: 'draft-saved', document });
}

function dropAll(course: Course, window: Window): void {
  for (const document of draftedDocuments(course, window)) course.happen({ type: 'draft-dropped', document });
}
