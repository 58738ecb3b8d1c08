/** Questions about a session that several parts ask. None of them changes anything. */
import type {
  Application,
  ApplicationId,
  Document,
  DocumentId,
  Session,
  Tab,
  Window,
  WindowId,
} from './session';

function present<T>(record: Readonly<Record<string, T>>, id: string, kind: string): T {
  const found = record[id];
  if (found === undefined) throw new RangeError(`The session has no ${kind} '${id}'.`);
  return found;
}

/** The window with this id. @throws RangeError if there is none. */
export const windowOf = (session: Session, id: WindowId): Window => present(session.windows, id, 'window');

/** The application with this id. @throws RangeError if there is none. */
export const applicationOf = (session: Session, id: ApplicationId): Application =>
  present(session.applications, id, 'application');

/** The document with this id. @throws RangeError if there is none. */
export const documentOf = (session: Session, id: DocumentId): Document =>
  present(session.documents, id, 'document');

/** The tab a window shows. */
export function activeTab(window: Window): Tab {
  const tab = window.tabs.find((candidate) => candidate.id === window.activeTab);
  if (!tab) throw new RangeError(`Window '${window.id}' has no tab '${window.activeTab}'.`);
  return tab;
}

/** A window's title is the title of the tab it shows. */
export const titleOf = (window: Window): string => activeTab(window).title;

/** The text that a window shows: its document's draft, or what was saved while the draft is merely offered. */
export function shownText(session: Session, window: Window): string {
  const { id, text } = documentOf(session, activeTab(window).document);
  return window.offeringDraft ? text : (session.drafts[id]?.text ?? text);
}

/** Whether a window can be seen now: not minimised, not hidden, on the workspace that is shown. */
export const isVisible = (session: Session, window: Window): boolean =>
  !window.minimised &&
  window.workspace === session.workspace &&
  !applicationOf(session, window.application).hidden;

/** Whether closing this window would lose text: one of its documents has a draft that is not merely offered. */
export const isUnsaved = (session: Session, window: Window): boolean =>
  !window.offeringDraft && draftedDocuments(session, window).length > 0;

/** Whether a window shows a document in one of its tabs. */
export const shows = (window: Window, document: DocumentId): boolean =>
  window.tabs.some((tab) => tab.document === document);

/** The documents of a window that have a draft. */
export const draftedDocuments = (session: Session, window: Window): DocumentId[] =>
  window.tabs.map((tab) => tab.document).filter((document) => Object.hasOwn(session.drafts, document));

/** Whether a window asks about unsaved work and waits for the answer. */
export const isAsking = (window: Window): boolean => window.asking !== null && !window.asking.dropping;

/**
 * Whether a draft was left behind: no open window works on it. Whatever opens its document then offers it, and
 * nothing is written to the document until the offer is answered.
 */
export function isDraftLeft(session: Session, document: DocumentId): boolean {
  if (!Object.hasOwn(session.drafts, document)) return false;
  const windows = windowsOf(session, documentOf(session, document).application);
  return !windows.some((window) => !window.offeringDraft && shows(window, document));
}

/** The windows that offer a draft of one of these documents, and wait for the answer. */
export function windowsOffering(session: Session, documents: readonly DocumentId[]): Window[] {
  if (!documents.some((document) => Object.hasOwn(session.drafts, document))) return [];
  const applications = new Set(documents.map((document) => documentOf(session, document).application));
  return [...applications]
    .flatMap((application) => windowsOf(session, application))
    .filter((window) => window.offeringDraft && documents.some((document) => shows(window, document)));
}

/** The windows of an application, most recently used first. */
export function windowsOf(session: Session, application: ApplicationId): Window[] {
  const windows: Window[] = [];
  for (const { id } of session.recent.windows) {
    const window = windowOf(session, id);
    if (window.application === application) windows.push(window);
  }
  return windows;
}

/** The windows of every running application, most recently used first, in one pass over the order. */
export function windowsByApplication(session: Session): Map<ApplicationId, WindowId[]> {
  const byApplication = new Map<ApplicationId, WindowId[]>(
    session.recent.applications.map(({ id }) => [id, []]),
  );
  for (const { id } of session.recent.windows) byApplication.get(windowOf(session, id).application)?.push(id);
  return byApplication;
}

/**
 * The window that an application comes forward with (switching rule 10): its most recent one that is not
 * minimised, else the most recent one; null if it has none.
 */
export function windowToChoose(session: Session, windows: readonly WindowId[]): WindowId | null {
  return windows.find((id) => !windowOf(session, id).minimised) ?? windows[0] ?? null;
}

/** The application of the front window, null when nothing is in front. */
export const frontApplication = (session: Session): ApplicationId | null =>
  session.front === null ? null : windowOf(session, session.front).application;

/** The next front window when the present one goes away (switching rule 4); null if nothing is visible. */
export const nextFront = (session: Session): WindowId | null =>
  session.recent.windows.find(({ id }) => isVisible(session, windowOf(session, id)))?.id ?? null;

/** The windows that ask about unsaved work and wait for an answer, most recently used first. */
export const askingWindows = (session: Session): Window[] =>
  session.recent.windows.map(({ id }) => windowOf(session, id)).filter(isAsking);
