import type { ApplicationId, DocumentId } from '../../model/ids';
import { STACK_DEPTH } from '../../model/limits';
import type { ApplicationEvents } from '../applications/events';
import { applicationOf } from '../applications/selectors';
import type { ApplicationsState } from '../applications/state';
import { documentOf } from '../documents/selectors';
import type { DocumentsState } from '../documents/state';
import type { DraftEvents } from '../drafts/events';
import { draftOf } from '../drafts/selectors';
import type { DraftsState } from '../drafts/state';
import type { FrontState } from '../front/state';
import { windowsOf } from '../recency/selectors';
import type { RecencyState } from '../recency/state';
import type { SetupEvents } from '../setup/events';
import { changeMade, changeUndone, leaving } from '../setup/selectors';
import type { SetupChange, SetupState } from '../setup/state';
import type { Slice } from '../slice';
import type { WindowEvents } from '../windows/events';
import { windowOf, withoutQuestion } from '../windows/selectors';
import type { AppWindow, WindowsState } from '../windows/state';
import type { EndedEvents } from './events';
import { endedAs, hasNewerDraft } from './selectors';
import type { Ended, EndedState } from './state';

type Heard = Pick<WindowEvents, 'windows-closed' | 'tab-closed'> &
  Pick<ApplicationEvents, 'application-ended'> &
  Pick<DraftEvents, 'drafts-discarded'> &
  SetupEvents;
type Reads = ApplicationsState &
  DocumentsState &
  DraftsState &
  FrontState &
  RecencyState &
  SetupState &
  WindowsState;

/** What can be reopened. */
export const ended: Slice<EndedState, EndedEvents, Heard, Reads> = {
  name: 'ended',
  initial: { ended: [] },
  own: { 'ended-reopened': 'when-settled' },
  on: {
    'windows-closed': (before, event) => {
      const windows = event.windows.map((id) => windowOf(before, id));
      const [first] = windows;
      return first ? remembering(before, 'window', first.application, windows, event) : {};
    },
    'tab-closed': (before, event) => {
      const window = withoutQuestion(windowOf(before, event.window));
      return remembering(before, 'tab', window.application, [], event, { id: event.tab, window });
    },
    'application-ended': (before, event) =>
      remembering(before, 'application', event.application, windowsOf(before, event.application), event),
    'drafts-discarded': (before, { documents, entry }) => {
      const [first] = documents;
      if (first === undefined) return {};
      const { application } = documentOf(before, first);
      return remembering(before, 'draft', application, [], { discarded: documents, entry });
    },
    'setup-changed': (before, event) => without(before, changeMade(before, event)),
    'setup-put-back': (before, event) => without(before, changeUndone(before, event)),
    // Where a newer draft was written since, the discarded one stays in the list.
    'ended-reopened': (before, { entry }) => {
      const reopened = endedAs(before, entry);
      const waiting = reopened?.discarded.filter((one) => hasNewerDraft(before, one)) ?? [];
      return {
        ended: before.ended.flatMap((one): Ended[] => {
          if (one !== reopened) return [one];
          if (waiting.length === 0) return [];
          const { tab: _tab, ...rest } = one;
          return [{ ...rest, kind: 'draft', windows: [], discarded: waiting }];
        }),
      };
    },
  },
};

/** What belonged to an application that leaves cannot be reopened. */
function without(before: EndedState & Reads, change: SetupChange | null): Partial<EndedState> {
  const gone = change ? leaving(before, change) : [];
  return gone.length === 0
    ? {}
    : { ended: before.ended.filter(({ application }) => !gone.includes(application)) };
}

function remembering(
  before: EndedState & Reads,
  kind: Ended['kind'],
  application: ApplicationId,
  windows: readonly AppWindow[],
  { discarded, entry }: { readonly discarded: readonly DocumentId[]; readonly entry: string | null },
  tab?: Ended['tab'],
): Partial<EndedState> {
  if (entry === null) return {};
  const remembered: Ended = {
    id: entry,
    kind,
    application,
    windows: windows.map(withoutQuestion),
    ...(tab && { tab }),
    stacking: before.stacking,
    hidden: applicationOf(before, application).hidden,
    discarded: discarded.map((document) => {
      const { text, at } = draftOf(before, document);
      return { document, draft: { text, at } };
    }),
  };
  return { ended: [...before.ended, remembered].slice(-STACK_DEPTH) };
}
