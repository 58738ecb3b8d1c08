import { has, patch } from '../../model/table';
import type { ApplicationsState } from '../applications/state';
import type { DraftEvents } from '../drafts/events';
import { draftOf } from '../drafts/selectors';
import type { DraftsState } from '../drafts/state';
import { unless, type Slice } from '../slice';
import type { DocumentsState } from './state';

type Heard = Pick<DraftEvents, 'drafts-saved'>;

/** What was saved. */
export const documents: Slice<DocumentsState, object, Heard, DraftsState & ApplicationsState> = {
  name: 'documents',
  initial: { documents: [] },
  on: {
    'drafts-saved': (before, event) => ({
      documents: patch(before.documents, event.documents, 'document', (document) => ({
        ...document,
        text: draftOf(before, document.id).text,
      })),
    }),
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
