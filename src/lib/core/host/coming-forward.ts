/** Bringing things to the front, and opening what is not open yet. */
import { cascade } from '../layout/cascade';
import type { ApplicationId, Document, DocumentId, Window, WindowId } from '../session/session';
import {
  applicationOf,
  documentOf,
  isDraftLeft,
  shows,
  windowOf,
  windowsOf,
  windowToChoose,
} from '../session/views';
import type { Course } from './course';

/** Switching rule 9; with `raiseAll` the application's other windows come up too, keeping their order. */
export function bringToFront(course: Course, id: WindowId, raiseAll: boolean): void {
  const { application } = windowOf(course.session, id);
  course.uncover(id);
  if (raiseAll) raise(course, new Set(windowsOf(course.session, application).map((window) => window.id)));
  course.front(id);
}

/** Switching rule 10. */
export function switchToApplication(course: Course, id: ApplicationId): void {
  const windows = windowsOf(course.session, id).map((window) => window.id);
  const chosen = windowToChoose(course.session, windows);
  if (!applicationOf(course.session, id).running) launch(course, id);
  else if (chosen === null) openWindow(course, id, true);
  else course.bringToFront(chosen);
}

/** Raises windows above all others, keeping their order among themselves. */
function raise(course: Course, windows: ReadonlySet<string>): void {
  const below = course.session.stacking.filter((id) => !windows.has(id));
  const above = course.session.stacking.filter((id) => windows.has(id));
  const stacking = [...below, ...above];
  if (stacking.some((id, index) => id !== course.session.stacking[index]))
    course.happen({ type: 'windows-restacked', stacking });
}

/** Starts an application: with the drafts that its last end left behind, else with its home document. */
export function launch(course: Course, id: ApplicationId, inFront = true): void {
  course.happen({ type: 'application-launched', application: id });
  const left = Object.keys(course.session.drafts)
    .map((document) => documentOf(course.session, document))
    .filter((document) => document.application === id);
  const home = documentOf(course.session, applicationOf(course.session, id).home);
  for (const document of left.length > 0 ? left : [home]) open(course, document, inFront);
}

/** Opens a new window of an application on its home document; one that does not run is launched. */
export function openWindow(course: Course, id: ApplicationId, inFront: boolean): void {
  const { home, running } = applicationOf(course.session, id);
  if (running) open(course, documentOf(course.session, home), inFront);
  else launch(course, id, inFront);
}

/** Goes to the window that shows a document, or opens one. */
export function openDocument(course: Course, id: DocumentId): void {
  const document = documentOf(course.session, id);
  const showing = windowsOf(course.session, document.application).find((window) => shows(window, id));
  if (!applicationOf(course.session, document.application).running)
    course.happen({ type: 'application-launched', application: document.application });
  if (!showing) return open(course, document, true);
  const tab = showing.tabs.find((candidate) => candidate.document === id);
  if (tab && tab.id !== showing.activeTab)
    course.happen({ type: 'tab-activated', window: showing.id, tab: tab.id });
  course.bringToFront(showing.id);
}

/** Opens a window on a document. A draft of it that was left behind is offered. */
function open(course: Course, document: Document, inFront: boolean): void {
  const { window: id, tab } = course.newIds();
  const window: Window = {
    id,
    application: document.application,
    geometry: cascade(course.session.stacking.length),
    minimised: false,
    workspace: course.session.workspace,
    tabs: [{ id: tab, title: document.title, document: document.id }],
    activeTab: tab,
    seen: false,
    asking: null,
    offeringDraft: isDraftLeft(course.session, document.id),
  };
  course.happen({ type: 'windows-opened', windows: [window] });
  if (inFront) course.bringToFront(id);
}
