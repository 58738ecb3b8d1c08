import { add, has, patch, putAll, remove } from '../../model/table';
import type { ApplicationsState } from '../applications/state';
import type { DraftEvents } from '../drafts/events';
import { draftOf } from '../drafts/selectors';
import type { DraftsState } from '../drafts/state';
import { OUTSIDE, type HostEvents } from '../host/events';
import type { SetupEvents } from '../setup/events';
import { changeMade, changeUndone, homesLeaving } from '../setup/selectors';
import type { SetupChange, SetupState } from '../setup/state';
import { unless, type Slice } from '../slice';
import type { DocumentEvents } from './events';
import type { DocumentsState } from './state';

type Heard = Pick<DraftEvents, 'drafts-saved'> & SetupEvents & Pick<HostEvents, 'applications-found'>;

/** What was saved. */
export const documents: Slice<
  DocumentsState,
  DocumentEvents,
  Heard,
  DraftsState & ApplicationsState & SetupState
> = {
  name: 'documents',
  initial: { documents: [] },
  on: {
    'document-made': ({ documents }, { document }) =>
      has(documents, document.id) ? {} : { documents: add(documents, [document]) },
    'document-renamed': ({ documents }, { document, title }) => ({
      documents: patch(documents, [document], 'document', (one) => ({ ...one, title })),
    }),
    'drafts-saved': (before, event) => ({
      documents: patch(before.documents, event.documents, 'document', (document) => ({
        ...document,
        text: draftOf(before, document.id).text,
      })),
    }),
    'applications-found': ({ documents }, { applications }) => ({
      documents: putAll(
        documents,
        applications.map(({ id, name, home }) => ({ id: home, title: name, application: id })),
        (home) => ({ ...home, kind: OUTSIDE, text: '' }),
      ),
    }),
    'setup-changed': (before, event) => withHomes(before, changeMade(before, event)),
    'setup-put-back': (before, event) => withHomes(before, changeUndone(before, event)),
  },
  problems: ({ documents, applications }) =>
    documents.flatMap(({ id, application }) =>
      unless(
        has(applications, application),
        ['documents', id, 'application'],
        `there is no application '${application}'`,
      ),
    ),
};

/** The homes of guests come, are changed and go with them. */
function withHomes(
  before: DocumentsState & ApplicationsState,
  change: SetupChange | null,
): Partial<DocumentsState> {
  if (!change || change.guests.length === 0) return {};
  let documents = remove(before.documents, homesLeaving(before, change));
  for (const { to } of change.guests) {
    if (!to) continue;
    const home = { id: to.home, title: to.name, application: to.id, kind: to.kind, text: to.text };
    documents = has(documents, home.id)
      ? patch(documents, [home.id], 'document', () => home)
      : add(documents, [home]);
  }
  return { documents };
}
