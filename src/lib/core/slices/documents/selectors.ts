import type { ApplicationId, DocumentId } from '../../model/ids';
import { get, has } from '../../model/table';
import { applicationOf } from '../applications/selectors';
import type { ApplicationsState } from '../applications/state';
import { GUEST_KINDS } from '../setup/state';
import type { AppDocument, DocumentsState } from './state';

/** The document with this id. @throws RangeError if there is none. */
export const documentOf = (session: DocumentsState, id: DocumentId): AppDocument =>
  get(session.documents, id, 'document');

/**
 * The applications that open documents of a kind: those that have some, and those that say so. What stands for a guest
 * opens in nothing else.
 */
export function openersOf(
  { applications, documents }: ApplicationsState & DocumentsState,
  kind: string,
): ReadonlySet<ApplicationId> {
  if (GUEST_KINDS.some((one) => one === kind)) return new Set();
  const having = documents.filter((document) => document.kind === kind).map(({ application }) => application);
  const saying = applications.filter(({ opens = [] }) => opens.includes(kind)).map(({ id }) => id);
  return new Set([...having, ...saying]);
}

/** Whether an application opens a document. */
export const canOpen = (
  session: ApplicationsState & DocumentsState,
  application: ApplicationId,
  document: Pick<AppDocument, 'application' | 'kind'>,
): boolean => document.application === application || openersOf(session, document.kind).has(application);

/** The kind of document that an application makes: what its home is. @throws RangeError if there is no such application. */
export const kindMadeBy = (session: ApplicationsState & DocumentsState, application: ApplicationId): string =>
  documentOf(session, applicationOf(session, application).home).kind;

/** The applications in which one makes documents: guests are what they are. */
export function isMaker(session: ApplicationsState & DocumentsState, application: ApplicationId): boolean {
  const kind = has(session.applications, application) ? kindMadeBy(session, application) : null;
  return kind !== null && !GUEST_KINDS.some((one) => one === kind);
}
