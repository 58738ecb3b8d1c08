/** Unsaved text: kept within a second of typing, saved, offered again after an abrupt end. */
import type { DocumentId, WindowId } from '../session/session';
import { documentOf, draftedDocuments, shows, windowOf, windowsOf, windowsOffering } from '../session/views';
import type { Course } from './course';

/** Keeps what was typed. Text equal to the saved one is no draft any more. */
export function keepDraft(course: Course, id: DocumentId, text: string): void {
  if (draftWaits(course, id)) return;
  const document = documentOf(course.session, id);
  const draft = course.session.drafts[id];
  if (text === document.text) {
    if (draft) course.happen({ type: 'draft-undone', document: id });
    return;
  }
  if (draft?.text === text) return;
  course.happen({ type: 'draft-kept', document: id, text, at: course.command.at });
  askAgain(course, id);
}

/** Words written after "discard" was answered are new work: the window asks again. */
function askAgain(course: Course, id: DocumentId): void {
  const windows = windowsOf(course.session, documentOf(course.session, id).application)
    .filter((window) => window.asking?.dropping && shows(window, id))
    .map((window) => window.id);
  if (windows.length > 0) course.happen({ type: 'closing-asked', windows, goal: 'quit' });
}

/** Saves the draft of a document, if it has one. */
export function save(course: Course, id: DocumentId): void {
  if (draftWaits(course, id)) return;
  if (course.session.drafts[id]) course.happen({ type: 'drafts-saved', documents: [id] });
}

/** Nothing is written to a document while its draft waits for an answer. */
function draftWaits(course: Course, id: DocumentId): boolean {
  const waits = windowsOffering(course.session, [id]).length > 0;
  if (waits) course.notice({ type: 'draft-waits', document: id });
  return waits;
}

/** Answers the offer of a draft that an abrupt end left behind, in every window that makes it. */
export function answerDraft(course: Course, id: WindowId, answer: 'take-up' | 'drop'): void {
  const window = windowOf(course.session, id);
  if (!window.offeringDraft) return;
  const documents = draftedDocuments(course.session, window);
  const windows = new Set([id, ...windowsOffering(course.session, documents).map((other) => other.id)]);
  if (answer === 'drop' && documents.length > 0) course.happen({ type: 'drafts-discarded', documents });
  course.happen({ type: 'offers-changed', windows: [...windows], offering: false });
}
