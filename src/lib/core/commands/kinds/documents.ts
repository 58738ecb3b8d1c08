/** Making documents, and calling them otherwise. */
import { Refused, type Course } from '../../host/course';
import { FOLDER, withItem } from '../../folders/folder';
import { MOST_DOCUMENTS } from '../../model/limits';
import type { ApplicationId } from '../../model/ids';
import { has } from '../../model/table';
import { canOpen, documentOf, isMaker, kindMadeBy } from '../../slices/documents/selectors';
import { shownDraft } from '../../slices/drafts/selectors';
import { commandKind } from '../command';
import { showDocument } from './coming-forward';

/** A new document of the kind that an application opens first, in a window in front. */
export const makeDocument = commandKind({
  type: 'make-document',
  fields: { application: 'application', title: 'title', text: 'text' },
  grows: true,
  unforeseen: true,
  decide(course, { application, title, text }) {
    made(course, application, { title, text, kind: kindMadeBy(course.session, application) });
  },
});

/** The same, and it is put into a folder. */
export const makeInFolder = commandKind({
  type: 'make-in-folder',
  fields: { folder: 'document', application: 'application', title: 'title' },
  grows: true,
  unforeseen: true,
  decide(course, { folder, application, title }) {
    const { session } = course;
    if (documentOf(session, folder).kind !== FOLDER)
      throw new Refused({ field: 'folder', detail: `'${folder}' is no folder.` });
    if (!isMaker(session, application)) return course.notice({ type: 'cannot-open', application });
    const document = made(course, application, { title, text: '', kind: kindMadeBy(session, application) });
    if (document === null) return;
    const before = shownDraft(course.session, folder);
    const text = withItem(before, document);
    if (text === before) return;
    course.happen({ type: 'draft-kept', document: folder, text, at: course.at });
    course.happen({ type: 'drafts-saved', documents: [folder] });
  },
});

/** A document that comes from elsewhere, e.g. a file, in an application that opens its kind. */
export const takeInDocument = commandKind({
  type: 'take-in-document',
  fields: { application: 'application', kind: 'kind', title: 'title', text: 'text' },
  grows: true,
  unforeseen: true,
  decide(course, { application, kind, title, text }) {
    if (canOpen(course.session, application, { application: '', kind }))
      made(course, application, { kind, title, text });
    else course.notice({ type: 'cannot-open', application });
  },
});

/** A document is called otherwise, and so are the tabs that are called like it. */
export const renameDocument = commandKind({
  type: 'rename-document',
  fields: { document: 'document', title: 'title' },
  grows: true,
  decide(course, { document, title }) {
    if (documentOf(course.session, document).title !== title)
      course.happen({ type: 'document-renamed', document, title });
  },
});

/** Makes a document and shows it; answers with its id, or null where there is no room for it. */
function made(
  course: Course,
  application: ApplicationId,
  document: { readonly title: string; readonly text: string; readonly kind: string },
): string | null {
  const id = `d-${course.id}`;
  if (course.session.documents.length >= MOST_DOCUMENTS) {
    course.notice({ type: 'too-many-documents' });
    return null;
  }
  if (!has(course.session.documents, id))
    course.happen({ type: 'document-made', document: { id, application, ...document } });
  showDocument(course, id);
  return id;
}
