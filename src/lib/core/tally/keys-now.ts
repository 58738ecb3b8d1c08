import type { WindowId } from '../model/ids';
import type { Places } from '../slices/places/state';
import type { Block } from '../slices/settings/state';

/** What keys mean now. */
export interface Keys {
  readonly places: Places;
  readonly block: Block;
  /** Windows with a shortcut to them alone. */
  readonly shortcuts: readonly WindowId[];
}
