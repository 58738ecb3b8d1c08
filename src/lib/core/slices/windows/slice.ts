import type { TabId, WindowId } from '../../model/ids';
import { add, find, has, patch, remove } from '../../model/table';
import { placementOf, type Placement } from '../../placing/placement';
import type { ApplicationEvents } from '../applications/events';
import type { ApplicationsState } from '../applications/state';
import type { DocumentEvents } from '../documents/events';
import { documentOf } from '../documents/selectors';
import type { DocumentsState } from '../documents/state';
import { draftedDocuments } from '../drafts/selectors';
import type { DraftsState } from '../drafts/state';
import type { FrontEvents } from '../front/events';
import { unless, type SessionProblem, type Slice } from '../slice';
import type { WorkspaceEvents } from '../workspaces/events';
import type { WorkspacesState } from '../workspaces/state';
import type { WindowEvents } from './events';
import { withoutQuestion } from './selectors';
import type { AppWindow, WindowsState } from './state';

type Heard = Pick<ApplicationEvents, 'application-restarted' | 'application-ended' | 'quit-cancelled'> &
  Pick<DocumentEvents, 'document-renamed'> &
  Pick<FrontEvents, 'window-fronted'> &
  Pick<WorkspaceEvents, 'workspace-removed'>;
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
      const placements = new Map(places.map((place) => [place.window, place]));
      const placed = (window: AppWindow) => placedAt(window, placements.get(window.id) ?? window);
      return { windows: patch(windows, placements.keys(), 'window', placed) };
    },
    'windows-carried': (before, { windows, workspace }) => changed(before, windows, { workspace }),
    'workspace-removed': ({ windows }, { workspace, to }) => ({
      windows: patch(
        windows,
        windows.filter((window) => window.workspace === workspace).map(({ id }) => id),
        'window',
        (window) => ({ ...window, workspace: to }),
      ),
    }),
    'windows-closed': (before, event) => ({ windows: remove(before.windows, event.windows) }),
    'tab-retitled': ({ windows }, event) => ({
      windows: patch(windows, [event.window], 'window', (window) => ({
        ...window,
        tabs: window.tabs.map((tab) => (tab.id === event.tab ? { ...tab, title: event.title } : tab)),
      })),
    }),
    'tab-hung': (before, { window, tab: id, hung }) =>
      withTabs(before, window, ({ tabs }) =>
        tabs.map((tab) => {
          if (tab.id !== id) return tab;
          const { hung: _before, ...rest } = tab;
          return hung ? { ...rest, hung } : rest;
        }),
      ),
    'tabs-used': ({ windows }, { window: id, recent }) => ({
      windows: patch(windows, [id], 'window', ({ recentTabs: _before, ...window }) =>
        recent === null ? window : { ...window, recentTabs: recent },
      ),
    }),
    'document-renamed': renamed,
    'tab-activated': (before, { window, tab }) => changed(before, [window], { activeTab: tab }),
    'tab-opened': (before, { window, tab, at }) =>
      withTabs(before, window, ({ tabs }) => tabs.toSpliced(at, 0, tab)),
    'tab-carried': (before, { window, tab: id, at }) =>
      withTabs(before, window, ({ tabs }) => {
        const tab = tabs.find((one) => one.id === id);
        return tab ? tabs.filter((one) => one !== tab).toSpliced(at, 0, tab) : tabs;
      }),
    'tab-closed': (before, { window, tab }) => withoutTab(before, window, tab),
    'tab-left': (before, { window, tab }) => withoutTab(before, window, tab),
    'window-joined': (before, { window, into, tabs }) =>
      withTabs({ windows: remove(before.windows, [window]) }, into, (one) => [...one.tabs, ...tabs]),
    'closing-asked': (before, { windows, goal, tab }) =>
      changed(before, windows, { asking: { goal, dropping: false, ...(tab !== undefined && { tab }) } }),
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

/** Tabs that are called like the document go on being so; one that says something of its own keeps that. */
function renamed(
  before: WindowsState & DocumentsState,
  { document, title }: DocumentEvents['document-renamed'],
): WindowsState {
  const old = documentOf(before, document).title;
  const called = (tab: AppWindow['tabs'][number]) => tab.document === document && tab.title === old;
  const windows = before.windows.filter(({ tabs }) => tabs.some(called)).map(({ id }) => id);
  return {
    windows: patch(before.windows, windows, 'window', (window) => ({
      ...window,
      tabs: window.tabs.map((tab) => (called(tab) ? { ...tab, title } : tab)),
    })),
  };
}

const changed = (
  { windows }: WindowsState,
  ids: readonly WindowId[],
  change: Partial<AppWindow>,
): WindowsState => ({ windows: patch(windows, ids, 'window', (window) => ({ ...window, ...change })) });

const placedAt = (
  { geometry: _geometry, on: _on, part: _part, ...window }: AppWindow,
  placement: Placement,
): AppWindow => ({ ...window, ...placementOf(placement) });

const withTabs = (
  { windows }: WindowsState,
  id: WindowId,
  tabs: (window: AppWindow) => AppWindow['tabs'],
): WindowsState => ({
  windows: patch(windows, [id], 'window', (window) => ({ ...window, tabs: tabs(window) })),
});

/** The tab that took its place is shown, or the last one; a question about it, and the offer of its draft, go with it. */
function withoutTab(before: WindowsState & DraftsState, id: WindowId, gone: TabId): WindowsState {
  const leaving = (window: AppWindow): AppWindow => {
    const at = window.tabs.findIndex((tab) => tab.id === gone);
    const tabs = window.tabs.filter((tab) => tab.id !== gone);
    const next = tabs[Math.min(at, tabs.length - 1)]?.id ?? window.activeTab;
    return {
      ...window,
      tabs,
      activeTab: window.activeTab === gone ? next : window.activeTab,
      asking: window.asking?.tab === gone ? null : window.asking,
      offeringDraft: window.offeringDraft && draftedDocuments(before, { ...window, tabs }).length > 0,
    };
  };
  return { windows: patch(before.windows, [id], 'window', leaving) };
}

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
    ...unless(
      (window.asking?.goal === 'tab') === (window.asking?.tab !== undefined),
      at('asking'),
      'names the tab that is to close, and no other',
    ),
    ...unless(tabs.has(window.asking?.tab ?? window.activeTab), at('asking'), 'there is no such tab'),
    ...window.tabs.flatMap(({ document }) =>
      unless(has(session.documents, document), at('tabs'), `there is no document '${document}'`),
    ),
  ];
}
