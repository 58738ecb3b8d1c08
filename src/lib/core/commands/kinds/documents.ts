/** Making documents. */
import { MOST_DOCUMENTS } from '../../model/limits';
import { has } from '../../model/table';
import { applicationOf } from '../../slices/applications/selectors';
import { documentOf } from '../../slices/documents/selectors';
import { commandKind } from '../command';
import { showDocument } from './coming-forward';

/** A new document of the kind that an application opens first, in a window in front. */
export const makeDocument = commandKind({
  type: 'make-document',
  fields: { application: 'application', title: 'title', text: 'text' },
  grows: true,
  unforeseen: true,
  decide(course, { application, title, text }) {
    const { session } = course;
    const id = `d-${course.id}`;
    if (session.documents.length >= MOST_DOCUMENTS) return course.notice({ type: 'too-many-documents' });
    const { kind } = documentOf(session, applicationOf(session, application).home);
    if (!has(session.documents, id))
      course.happen({ type: 'document-made', document: { id, title, application, kind, text } });
    showDocument(course, id);
  },
});
