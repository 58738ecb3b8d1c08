import type { WindowId } from '../../model/ids';
import { add, find, has, patch, remove } from '../../model/table';
import type { ApplicationEvents } from '../applications/events';
import type { ApplicationsState } from '../applications/state';
import type { DocumentsState } from '../documents/state';
import { draftedDocuments } from '../drafts/selectors';
import type { DraftsState } from '../drafts/state';
import type { FrontEvents } from '../front/events';
import { unless, type SessionProblem, type Slice } from '../slice';
import type { WorkspacesState } from '../workspaces/state';
import type { WindowEvents } from './events';
import { withoutQuestion } from './selectors';
import type { AppWindow, WindowsState } from './state';

type Heard = Pick<ApplicationEvents, 'application-restarted' | 'application-ended' | 'quit-cancelled'> &
  Pick<FrontEvents, 'window-fronted'>;
type Reads = DraftsState & ApplicationsState & DocumentsState & WorkspacesState;

/** The windows, whatever their order and their pile. */
export const windows: Slice<WindowsState, WindowEvents, Heard, Reads> = {
  name: 'windows',
  initial: { windows: [] },
  on: {
    'windows-opened': (before, event) => ({ windows: add(before.windows, event.windows) }),
    'windows-minimised': (before, event) => changed(before, event.windows, { minimised: true }),
    'windows-restored': (before, event) => changed(before, event.windows, { minimised: false }),
    'windows-placed': ({ windows }, { places }) => {
      const geometries = new Map(places.map(({ window, geometry }) => [window, geometry]));
      const placed = (window: AppWindow) => ({
        ...window,
        geometry: geometries.get(window.id) ?? window.geometry,
      });
      return { windows: patch(windows, geometries.keys(), 'window', placed) };
    },
    'windows-closed': (before, event) => ({ windows: remove(before.windows, event.windows) }),
    'tab-retitled': ({ windows }, event) => ({
      windows: patch(windows, [event.window], 'window', (window) => ({
        ...window,
        tabs: window.tabs.map((tab) => (tab.id === event.tab ? { ...tab, title: event.title } : tab)),
      })),
    }),
    'tab-activated': (before, { window, tab }) => changed(before, [window], { activeTab: tab }),
    'closing-asked': (before, event) =>
      changed(before, event.windows, { asking: { goal: event.goal, dropping: false } }),
    'closing-settled': (before, { window, answer }) =>
      changed(before, [window], { asking: answer === 'drop' ? { goal: 'quit', dropping: true } : null }),
    'offers-changed': (before, event) => changed(before, event.windows, { offeringDraft: event.offering }),
    'window-fronted': ({ windows }, event) => ({
      windows: patch(windows, [event.window], 'window', (window) =>
        window.seen ? window : { ...window, seen: true },
      ),
    }),
    'application-restarted': (before, { application }) => ({
      windows: patch(before.windows, idsOfApplication(before, application), 'window', (window) => ({
        ...withoutQuestion(window),
        offeringDraft: draftedDocuments(before, window).length > 0,
      })),
    }),
    'application-ended': (before, { application }) => ({
      windows: remove(before.windows, idsOfApplication(before, application)),
    }),
    // Cancel in any window cancels that quit: every window it asked goes back to what it was.
    'quit-cancelled': (before, { application }) => ({
      windows: patch(before.windows, idsOfApplication(before, application), 'window', (window) =>
        window.asking?.goal === 'quit' ? withoutQuestion(window) : window,
      ),
    }),
  },
  covers: {
    hides: (_session, window) => window.minimised,
    uncover: (_session, window) => [{ type: 'windows-restored', windows: [window.id] }],
  },
  problems: (session) => session.windows.flatMap((window) => problemsOfWindow(session, window)),
};

const changed = (
  { windows }: WindowsState,
  ids: readonly WindowId[],
  change: Partial<AppWindow>,
): WindowsState => ({ windows: patch(windows, ids, 'window', (window) => ({ ...window, ...change })) });

const idsOfApplication = ({ windows }: WindowsState, application: string): WindowId[] =>
  windows.filter((window) => window.application === application).map(({ id }) => id);

function problemsOfWindow(session: WindowsState & Reads, window: AppWindow): SessionProblem[] {
  const at = (property: string) => ['windows', window.id, property];
  const application = find(session.applications, window.application);
  const tabs = new Set(window.tabs.map((tab) => tab.id));
  return [
    ...unless(
      application !== undefined,
      at('application'),
      `there is no application '${window.application}'`,
    ),
    ...unless(application?.running !== false, at('application'), `'${window.application}' does not run`),
    ...unless(
      has(session.workspaces, window.workspace),
      at('workspace'),
      `there is no workspace '${window.workspace}'`,
    ),
    ...unless(tabs.size === window.tabs.length, at('tabs'), 'an id is used twice'),
    ...unless(tabs.has(window.activeTab), at('activeTab'), `there is no tab '${window.activeTab}'`),
    ...window.tabs.flatMap(({ document }) =>
      unless(has(session.documents, document), at('tabs'), `there is no document '${document}'`),
    ),
  ];
}
