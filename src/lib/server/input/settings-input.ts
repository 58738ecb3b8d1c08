import { IsBoolean, IsIn } from 'class-validator';
import { IfSent } from './rules';
import {
  HOLD_KEYS,
  BLOCKS,
  type Block,
  EDGES,
  type Edges,
  SWITCHER_SCOPES,
  type SwitcherScope,
  INDEX_STANCES,
  THEMES,
  type HoldKey,
  type IndexStance,
  type Settings,
  type Theme,
} from '../../core/slices/settings/state';

/** Settings as they are sent. */
export class SettingsInput implements Settings {
  @IsIn(HOLD_KEYS) holdKey!: HoldKey;
  @IsBoolean() holding!: boolean;
  @IsIn(THEMES) theme!: Theme;
  @IfSent() @IsIn(INDEX_STANCES) index?: IndexStance;
  @IfSent() @IsIn(BLOCKS) block?: Block;
  @IfSent() @IsIn(SWITCHER_SCOPES) switcherShows?: SwitcherScope;
  @IfSent() @IsIn(EDGES) edges?: Edges;
}
