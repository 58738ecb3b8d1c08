import type { Instant, WindowId } from '../../model/ids';

/** What happens to the front window and the pile. */
export type FrontEvents = {
  'window-fronted': { window: WindowId; at: Instant };
  'windows-restacked': { stacking: readonly WindowId[] };
};
