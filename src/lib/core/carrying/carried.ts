/** What someone carries from one place to a program that opens it. */
import type { Target } from '../actions/target';
import type { Wish } from '../commands/commands';
import type { ApplicationId, DocumentId } from '../model/ids';
import { LONGEST_TEXT, LONGEST_TITLE } from '../model/limits';
import { has, idsIn } from '../model/table';
import type { Session } from '../session/session';
import { documentOf, isMaker, openersOf } from '../slices/documents/selectors';

/** What is carried: a document, a file that is none yet, or what is to be made in a folder. */
export type Carried =
  | { readonly type: 'document'; readonly document: DocumentId }
  | { readonly type: 'file'; readonly title: string; readonly kind: string; readonly text: string }
  | { readonly type: 'new'; readonly folder: DocumentId; readonly title: string };

/** What it is called. */
export const carriedTitle = (session: Session, carried: Carried): string =>
  carried.type === 'document' ? documentOf(session, carried.document).title : carried.title;

/** Whether it is still there to be carried. */
export const isThereStill = (session: Session, carried: Carried): boolean =>
  carried.type === 'file' ||
  has(session.documents, carried.type === 'document' ? carried.document : carried.folder);

/** The programs that open what is carried. */
export function takersOf(session: Session, carried: Carried): ReadonlySet<ApplicationId> {
  switch (carried.type) {
    case 'document': {
      const { application, kind } = documentOf(session, carried.document);
      return new Set([application, ...openersOf(session, kind)]);
    }
    case 'file':
      return openersOf(session, carried.kind);
    case 'new':
      return new Set(idsIn(session.applications).filter((application) => isMaker(session, application)));
  }
}

/** What laying it down on a program, or on one of its windows (`leaf`), asks for. */
export function laidDown(carried: Carried, { application, window }: Target, leaf: boolean): Wish {
  switch (carried.type) {
    case 'document': {
      const { document } = carried;
      return leaf && window !== null
        ? { type: 'open-tab', window, document }
        : { type: 'open-document-with', document, application };
    }
    case 'file': {
      const { title, kind, text } = carried;
      return { type: 'take-in-document', application, title, kind, text };
    }
    case 'new': {
      const { folder, title } = carried;
      return { type: 'make-in-folder', folder, application, title };
    }
  }
}

/** The kinds of documents that files are, by how their names end. All of them are plain text. */
const KINDS: Readonly<Record<string, string>> = { csv: 'table', txt: 'letter', md: 'letter', text: 'letter' };

/** How names end of files that can be taken in, for a dialog that chooses some. */
export const FILE_ENDINGS: readonly string[] = Object.keys(KINDS).map((ending) => `.${ending}`);

/** A file as it can be carried, or what is wrong with it. */
export function fileCarried(name: string, text: string): Carried | { readonly not: 'kind' | 'length' } {
  const [, title = name, ending = ''] = /^(.+)\.([^.]+)$/u.exec(name) ?? [];
  const kind = KINDS[ending.toLowerCase()];
  if (kind === undefined) return { not: 'kind' };
  if (text.length > LONGEST_TEXT) return { not: 'length' };
  return { type: 'file', title: title.slice(0, LONGEST_TITLE), kind, text };
}
