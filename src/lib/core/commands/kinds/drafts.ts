/** Unsaved text: kept within a second of typing, saved, offered again after an abrupt end. */
import type { Course } from '../../host/course';
import type { DocumentId } from '../../model/ids';
import { find, idsIn } from '../../model/table';
import { documentOf } from '../../slices/documents/selectors';
import { draftedDocuments, hasDraft, windowsOffering } from '../../slices/drafts/selectors';
import { isDropping, shows, windowOf } from '../../slices/windows/selectors';
import { commandKind } from '../command';

/** Keeps what was typed. Text equal to the saved one is no draft any more. */
export const keepDraft = commandKind({
  type: 'keep-draft',
  fields: { document: 'document', text: 'text' },
  grows: true,
  decide(course, { document: id, text }) {
    if (draftWaits(course, id)) return;
    const draft = find(course.session.drafts, id);
    if (text === documentOf(course.session, id).text) {
      if (draft) course.happen({ type: 'draft-undone', document: id });
      return;
    }
    if (draft?.text === text) return;
    course.happen({ type: 'draft-kept', document: id, text, at: course.at });
    askAgain(course, id);
  },
});

/** Saves the draft of a document, if it has one. */
export const save = commandKind({
  type: 'save',
  fields: { document: 'document' },
  decide(course, { document }) {
    if (draftWaits(course, document)) return;
    if (hasDraft(course.session, document)) course.happen({ type: 'drafts-saved', documents: [document] });
  },
});

/** Answers the offer of a draft that an abrupt end left behind, in every window that makes it. */
export const answerDraft = commandKind({
  type: 'answer-draft',
  fields: { window: 'window', answer: ['take-up', 'drop'] },
  decide(course, { window: id, answer }) {
    const window = windowOf(course.session, id);
    if (!window.offeringDraft) return;
    const documents = draftedDocuments(course.session, window);
    const windows = new Set([id, ...idsIn(windowsOffering(course.session, documents))]);
    if (answer === 'drop' && documents.length > 0)
      course.happen({ type: 'drafts-discarded', documents, entry: course.newEntry() });
    course.happen({ type: 'offers-changed', windows: [...windows], offering: false });
  },
});

/** Words written after "discard" was answered are new work: the window asks again. */
function askAgain(course: Course, id: DocumentId): void {
  const windows = course.session.windows.filter((window) => isDropping(window) && shows(window, id));
  if (windows.length > 0) course.happen({ type: 'closing-asked', windows: idsIn(windows), goal: 'quit' });
}

/** Nothing is written to a document while its draft waits for an answer. */
function draftWaits(course: Course, document: DocumentId): boolean {
  const waits = windowsOffering(course.session, [document]).length > 0;
  if (waits) course.notice({ type: 'draft-waits', document });
  return waits;
}
