/** What has happened to the tabs of a window, where a display told how they are. */
import type { DocumentId, TabId } from '../model/ids';
import { MOST_TABS } from '../model/limits';
import { has, idsIn } from '../model/table';
import type { SessionEvent } from '../session/session';
import type { AppWindow, Tab } from '../slices/windows/state';
import { shownTitle } from './shown-title';
import type { ToldTabs } from './told';

/** How the tabs of a window are to be. */
export type Tabs = Pick<AppWindow, 'tabs' | 'activeTab' | 'recentTabs'>;

/**
 * The tabs that were told of a window, as a session can hold them: of more than it holds those that were used last.
 * @param home the document that stands for what they show
 */
export function tabsOf({ list, shown, recent }: ToldTabs, home: DocumentId): Tabs {
  const all = [...new Map(list.map((tab) => [tab.id, tab])).values()];
  const [first] = all;
  const activeTab = has(all, shown) || !first ? shown : first.id;
  const kept = new Set([...new Set([activeTab, ...recent, ...idsIn(all)])].slice(0, MOST_TABS));
  const tabs = all
    .filter(({ id }) => kept.has(id))
    .map(({ id, title, answering }): Tab => ({
      id,
      title: shownTitle(title) || UNTITLED,
      document: home,
      ...(!answering && { hung: true }),
    }));
  return { tabs, activeTab, recentTabs: recent.filter((id) => has(tabs, id)) };
}

/** What a tab is called that has no title. */
const UNTITLED = 'Untitled';

/**
 * The events that lead from the tabs of a window to those that were told.
 * @param open the tabs of all windows that were told with it: what has gone to another window has not closed
 */
export function tabsDifference(window: AppWindow, told: Tabs, open: ReadonlySet<TabId>): SessionEvent[] {
  const events: SessionEvent[] = [];
  const at = window.id;
  let now: readonly Tab[] = window.tabs;
  for (const [position, tab] of told.tabs.entries()) {
    if (has(now, tab.id)) continue;
    const place = Math.min(position, now.length);
    events.push({ type: 'tab-opened', window: at, tab, at: place });
    now = now.toSpliced(place, 0, tab);
  }
  if (told.activeTab !== window.activeTab)
    events.push({ type: 'tab-activated', window: at, tab: told.activeTab });
  // A tab of which nothing was known has not closed either.
  const closes = window.recentTabs !== undefined && told.recentTabs !== undefined;
  for (const { id } of now.filter((tab) => !has(told.tabs, tab.id)))
    events.push(
      closes && !open.has(id)
        ? { type: 'tab-closed', window: at, tab: id, discarded: [], entry: id }
        : { type: 'tab-left', window: at, tab: id },
    );
  now = now.filter((tab) => has(told.tabs, tab.id));
  events.push(...carried(at, now, told.tabs));
  for (const { id, title, hung } of told.tabs) {
    const before = now.find((tab) => tab.id === id);
    if (before && before.title !== title) events.push({ type: 'tab-retitled', window: at, tab: id, title });
    if (before && before.hung !== hung)
      events.push({ type: 'tab-hung', window: at, tab: id, hung: hung === true });
  }
  const recent = told.recentTabs ?? null;
  if (recent?.join() !== window.recentTabs?.join()) events.push({ type: 'tabs-used', window: at, recent });
  return events;
}

/** As few as need be where one tab was carried, whichever way. */
function carried(window: string, from: readonly Tab[], to: readonly Tab[]): SessionEvent[] {
  const events: SessionEvent[] = [];
  let now = idsIn(from);
  const wanted = idsIn(to);
  for (let place = 0; place < wanted.length;) {
    const here = now[place];
    const due = wanted[place];
    if (here === undefined || due === undefined || here === due) {
      place += 1;
      continue;
    }
    const moves = now[place + 1] === due ? { tab: here, at: wanted.indexOf(here) } : { tab: due, at: place };
    events.push({ type: 'tab-carried', window, ...moves });
    now = now.filter((id) => id !== moves.tab).toSpliced(moves.at, 0, moves.tab);
  }
  return events;
}
