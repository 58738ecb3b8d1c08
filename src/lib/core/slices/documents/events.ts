import type { DocumentId } from '../../model/ids';
import type { AppDocument } from './state';

/** What happens to documents, apart from being saved. */
export type DocumentEvents = {
  'document-made': { document: AppDocument };
  'document-renamed': { document: DocumentId; title: string };
};
