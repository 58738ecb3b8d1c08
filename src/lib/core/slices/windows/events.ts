import type { Geometry } from '../../model/geometry';
import type { DocumentId, TabId, WindowId } from '../../model/ids';
import type { AppWindow, ClosingGoal } from './state';

/** A window, and where it is now. */
export interface PlacedWindow {
  readonly window: WindowId;
  readonly geometry: Geometry;
}

/** What happens to a family of windows is one event, reduced once, however many they are. */
export type WindowEvents = {
  /** They are there, at the end of the order of recent use and at the bottom of the pile, the first one topmost. */
  'windows-opened': { windows: readonly AppWindow[] };
  'windows-minimised': { windows: readonly WindowId[] };
  'windows-restored': { windows: readonly WindowId[] };
  'windows-placed': { places: readonly PlacedWindow[] };
  /**
   * Windows of one application closed together, and are kept as `entry` so that they can be reopened; drafts that were
   * discarded with them are kept there too.
   */
  'windows-closed': { windows: readonly WindowId[]; discarded: readonly DocumentId[]; entry: string };
  'tab-retitled': { window: WindowId; tab: TabId; title: string };
  'tab-activated': { window: WindowId; tab: TabId };
  'closing-asked': { windows: readonly WindowId[]; goal: ClosingGoal };
  'closing-settled': { window: WindowId; answer: 'drop' | 'keep-open' };
  /** Whether these windows offer the drafts of their documents. */
  'offers-changed': { windows: readonly WindowId[]; offering: boolean };
};
