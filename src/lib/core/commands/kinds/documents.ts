/** Making documents, and calling them otherwise. */
import { Refused, type Course } from '../../host/course';
import { PICTURE, pictureFrom } from '../../capture/picture';
import { FOLDER, withItem } from '../../folders/folder';
import { MOST_DOCUMENTS } from '../../model/limits';
import type { ApplicationId, DocumentId } from '../../model/ids';
import { has } from '../../model/table';
import type { Session } from '../../session/session';
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
    show(course, made(course, application, { title, text, kind: kindMadeBy(course.session, application) }));
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
    mustBeFolder(session, folder);
    if (!isMaker(session, application)) return course.notice({ type: 'cannot-open', application });
    const document = made(course, application, { title, text: '', kind: kindMadeBy(session, application) });
    if (document === null) return;
    showDocument(course, document);
    putInto(course, folder, document);
  },
});

/** A picture, which is in the store already, is put into a folder; what is in front stays there. */
export const keepPicture = commandKind({
  type: 'keep-picture',
  fields: { folder: 'document', title: 'title', text: 'text' },
  grows: true,
  unforeseen: true,
  decide(course, { folder, title, text }) {
    mustBeFolder(course.session, folder);
    if (pictureFrom(text) === null) throw new Refused({ field: 'text', detail: 'It names no picture.' });
    const { application } = documentOf(course.session, folder);
    const document = made(course, application, { title, text, kind: PICTURE });
    if (document !== null) putInto(course, folder, document);
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
      show(course, made(course, application, { kind, title, text }));
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

function mustBeFolder(session: Session, document: DocumentId): void {
  if (documentOf(session, document).kind !== FOLDER)
    throw new Refused({ field: 'folder', detail: `'${document}' is no folder.` });
}

/** Writes a document into a folder, at its end. */
function putInto(course: Course, folder: DocumentId, document: DocumentId): void {
  const before = shownDraft(course.session, folder);
  const text = withItem(before, document);
  if (text === before) return;
  course.happen({ type: 'draft-kept', document: folder, text, at: course.at });
  course.happen({ type: 'drafts-saved', documents: [folder] });
}

function show(course: Course, document: DocumentId | null): void {
  if (document !== null) showDocument(course, document);
}

/** Makes a document; answers with its id, or null where there is no room for it. */
function made(
  course: Course,
  application: ApplicationId,
  document: { readonly title: string; readonly text: string; readonly kind: string },
): DocumentId | null {
  const id = `d-${course.id}`;
  if (course.session.documents.length >= MOST_DOCUMENTS) {
    course.notice({ type: 'too-many-documents' });
    return null;
  }
  if (!has(course.session.documents, id))
    course.happen({ type: 'document-made', document: { id, application, ...document } });
  return id;
}
