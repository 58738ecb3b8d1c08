import type { DocumentId } from '../../model/ids';
import { add, has, put, remove } from '../../model/table';
import type { ApplicationEvents } from '../applications/events';
import { documentOf } from '../documents/selectors';
import type { DocumentsState } from '../documents/state';
import type { EndedEvents } from '../ended/events';
import { comingBack } from '../ended/selectors';
import type { EndedState } from '../ended/state';
import { unless, type Slice } from '../slice';
import type { WindowEvents } from '../windows/events';
import type { DraftEvents } from './events';
import type { DraftsState } from './state';

type Heard = Pick<WindowEvents, 'windows-closed' | 'tab-closed'> &
  Pick<ApplicationEvents, 'application-ended'> &
  Pick<EndedEvents, 'ended-reopened'>;

/** Unsaved text, by document. */
export const drafts: Slice<DraftsState, DraftEvents, Heard, DocumentsState & EndedState> = {
  name: 'drafts',
  initial: { drafts: [] },
  own: {
    'draft-kept': 'when-taken',
    'drafts-saved': 'when-taken',
    'draft-undone': 'when-taken',
    'drafts-discarded': 'when-taken',
  },
  on: {
    'draft-kept': (before, { document, text, at }) => ({
      drafts: put(before.drafts, { id: documentOf(before, document).id, text, at }),
    }),
    'draft-undone': (before, { document }) => gone(before, [document]),
    'drafts-saved': (before, { documents }) => gone(before, documents),
    'drafts-discarded': (before, { documents }) => gone(before, documents),
    'windows-closed': (before, { discarded }) => gone(before, discarded),
    'tab-closed': (before, { discarded }) => gone(before, discarded),
    'application-ended': (before, { discarded }) => gone(before, discarded),
    'ended-reopened': (before, { entry }) => ({
      drafts: add(
        before.drafts,
        comingBack(before, entry).map(({ document, draft }) => ({ id: document, ...draft })),
      ),
    }),
  },
  problems: ({ drafts, documents }) =>
    drafts.flatMap(({ id }) => unless(has(documents, id), ['drafts', id], `there is no document '${id}'`)),
};

const gone = ({ drafts }: DraftsState, documents: readonly DocumentId[]): DraftsState => ({
  drafts: remove(drafts, documents),
});
