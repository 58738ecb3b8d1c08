import type { Instant, WindowId } from '../../model/ids';

export type FrontEvents = {
  'window-fronted': { window: WindowId; at: Instant };
  'windows-restacked': { stacking: readonly WindowId[] };
};
