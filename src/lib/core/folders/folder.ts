/** Folders: documents that list others. */
import { find } from '../model/table';
import type { DocumentId } from '../model/ids';
import type { AppDocument, DocumentsState } from '../slices/documents/state';

/** The kind of document that is a folder. Its text names a document a line, by its id. */
export const FOLDER = 'folder';

/** The ids in a folder's text. */
export const idsInFolder = (text: string): DocumentId[] =>
  text
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean);

/** The text of a folder with one document more, at its end; the same if it is in there. */
export const withItem = (text: string, document: DocumentId): string =>
  idsInFolder(text).includes(document) ? text : [...idsInFolder(text), document].join('\n');

/** What is in a folder, in its order; what is not there any more is left out. Null for what is no folder. */
export function folderItems(session: DocumentsState, id: DocumentId): AppDocument[] | null {
  const folder = find(session.documents, id);
  if (folder?.kind !== FOLDER) return null;
  return idsInFolder(folder.text).flatMap((item) => find(session.documents, item) ?? []);
}

/** The folder that a document is in, the first if it is in several; null if it is in none. */
export const folderOf = ({ documents }: DocumentsState, id: DocumentId): AppDocument | null =>
  documents.find(({ kind, text }) => kind === FOLDER && idsInFolder(text).includes(id)) ?? null;
