import type { DocumentId } from '../../model/ids';
import { get } from '../../model/table';
import type { AppDocument, DocumentsState } from './state';

/** The document with this id. @throws RangeError if there is none. */
export const documentOf = (session: DocumentsState, id: DocumentId): AppDocument =>
  get(session.documents, id, 'document');
