import type { DocumentId, TabId, WindowId, WorkspaceId } from '../../model/ids';
import type { Placement } from '../../placing/placement';
import type { AppWindow, ClosingGoal, Tab } from './state';

/** A window, and where it is now. */
export interface PlacedWindow extends Placement {
  readonly window: WindowId;
}

/** What happens to a family of windows is one event, reduced once, however many they are. */
export type WindowEvents = {
  /** They are there, at the end of the order of recent use and at the bottom of the pile, the first one topmost. */
  'windows-opened': { windows: readonly AppWindow[] };
  'windows-minimised': { windows: readonly WindowId[] };
  'windows-restored': { windows: readonly WindowId[] };
  'windows-placed': { places: readonly PlacedWindow[] };
  /** They are on another workspace now. */
  'windows-carried': { windows: readonly WindowId[]; workspace: WorkspaceId };
  /**
   * Windows of one application closed together, and are kept as `entry` so that they can be reopened; drafts that were
   * discarded with them are kept there too. Without an entry they cannot: a live host closed them.
   */
  'windows-closed': { windows: readonly WindowId[]; discarded: readonly DocumentId[]; entry: string | null };
  'tab-retitled': { window: WindowId; tab: TabId; title: string };
  /** Whether what a tab shows has stopped answering. */
  'tab-hung': { window: WindowId; tab: TabId; hung: boolean };
  /** The tabs of a window by recent use, as a live host tells them; null: it tells of none any more. */
  'tabs-used': { window: WindowId; recent: readonly TabId[] | null };
  'tab-activated': { window: WindowId; tab: TabId };
  /** A tab is there, so many from the first one; it is not shown yet. */
  'tab-opened': { window: WindowId; tab: Tab; at: number };
  /** Where in the bar a tab stands. */
  'tab-carried': { window: WindowId; tab: TabId; at: number };
  /** A tab closed, and is kept as `entry` so that it can be reopened. What it showed is what its neighbour shows. */
  'tab-closed': { window: WindowId; tab: TabId; discarded: readonly DocumentId[]; entry: string };
  /** A tab left its window without closing: it goes on in another one. */
  'tab-left': { window: WindowId; tab: TabId };
  /** The tabs of a window that is gone with it went to another one of its application, to the end of its bar. */
  'window-joined': { window: WindowId; into: WindowId; tabs: readonly Tab[] };
  /** `tab`: the one that is to close, where it is no whole window. */
  'closing-asked': { windows: readonly WindowId[]; goal: ClosingGoal; tab?: TabId };
  'closing-settled': { window: WindowId; answer: 'drop' | 'keep-open' };
  /** Whether these windows offer the drafts of their documents. */
  'offers-changed': { windows: readonly WindowId[]; offering: boolean };
};
