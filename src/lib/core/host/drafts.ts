/** Unsaved text: kept within a second of typing, saved, offered again after an abrupt end. */
import type { DocumentId, WindowId } from '../session/session';
import { documentOf, windowOf, windowsOf } from '../session/views';
import type { Course } from './course';

/** Keeps what was typed. Text equal to the saved one is no draft any more. */
export function keepDraft(course: Course, id: DocumentId, text: string): void {
  const document = documentOf(course.session, id);
  const draft = course.session.drafts[id];
  if (text === document.text) {
    if (draft) course.happen({ type: 'draft-dropped', document: id });
    return;
  }
  if (draft?.text === text) return;
  course.happen({ type: 'draft-kept', document: id, text, at: course.command.at });
  askAgain(course, id);
}

/** Words written after "drop" was answered are new work: the window asks again. */
function askAgain(course: Course, id: DocumentId): void {
  for (const window of windowsOf(course.session, documentOf(course.session, id).application))
    if (window.asking?.dropping && window.tabs.some((tab) => tab.document === id))
      course.happen({ type: 'closing-asked', window: window.id, goal: 'quit' });
}

/** Saves the draft of a document, if it has one. */
export function save(course: Course, id: DocumentId): void {
  documentOf(course.session, id);
  if (course.session.drafts[id]) course.happen({ type: 'draft-saved', document: id });
}

/** Answers the offer of a draft that an abrupt end left behind. */
export function answerDraft(course: Course, id: WindowId, answer: 'take-up' | 'drop'): void {
  const window = windowOf(course.session, id);
  if (!window.offeringDraft) return;
  if (answer === 'drop')
    for (const { document } of window.tabs)
      if (course.session.drafts[document]) course.happen({ type: 'draft-dropped', document });
  course.happen({ type: 'draft-taken-up', window: id });
}
