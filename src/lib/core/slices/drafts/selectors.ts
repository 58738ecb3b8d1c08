import type { DocumentId } from '../../model/ids';
import { find, has } from '../../model/table';
import { documentOf } from '../documents/selectors';
import type { DocumentsState } from '../documents/state';
import { activeTab, shows } from '../windows/selectors';
import type { AppWindow, Tab, WindowsState } from '../windows/state';
import type { Draft, DraftsState } from './state';

/** Whether a document has a draft. */
export const hasDraft = (session: DraftsState, document: DocumentId): boolean =>
  has(session.drafts, document);

/** The draft of a document. @throws RangeError if it has none. */
export function draftOf(session: DraftsState, document: DocumentId): Draft {
  const draft = find(session.drafts, document);
  if (!draft) throw new RangeError(`Document '${document}' has no draft.`);
  return draft;
}

/** The documents of a window that have a draft. */
export const draftedDocuments = (session: DraftsState, window: AppWindow): DocumentId[] =>
  window.tabs.map((tab) => tab.document).filter((document) => hasDraft(session, document));

/** Whether closing this window would lose text: one of its documents has a draft that is not merely offered. */
export const isUnsaved = (session: DraftsState, window: AppWindow): boolean =>
  !window.offeringDraft && draftedDocuments(session, window).length > 0;

/** The text that a window shows: its document's draft, or what was saved while the draft is merely offered. */
export const shownText = (session: DraftsState & DocumentsState, window: AppWindow): string =>
  textIn(session, window, activeTab(window));

/** The text of a document as it stands: its draft, or else what was saved. */
export const shownDraft = (session: DraftsState & DocumentsState, document: DocumentId): string =>
  find(session.drafts, document)?.text ?? documentOf(session, document).text;

/** The same of one of its tabs. */
export function textIn(
  session: DraftsState & DocumentsState,
  window: AppWindow,
  tab: Pick<Tab, 'document'>,
): string {
  const { id, text } = documentOf(session, tab.document);
  return window.offeringDraft ? text : (find(session.drafts, id)?.text ?? text);
}

type Open = DraftsState & DocumentsState & WindowsState;

/**
 * Whether a draft was left behind: no open window works on it. Whatever opens its document then offers it, and
 * nothing is written to the document until the offer is answered.
 */
export const isDraftLeft = (session: Open, document: DocumentId): boolean =>
  hasDraft(session, document) &&
  !session.windows.some((window) => !window.offeringDraft && shows(window, document));

/** The windows that offer a draft of one of these documents, and wait for the answer. */
export function windowsOffering(session: Open, documents: readonly DocumentId[]): AppWindow[] {
  if (!documents.some((document) => hasDraft(session, document))) return [];
  return session.windows.filter(
    (window) => window.offeringDraft && documents.some((document) => shows(window, document)),
  );
}
