import { IsBoolean, IsIn } from 'class-validator';
import { IsOne } from './nested';
import { IfSent, IsIdList, IsTitle } from './rules';
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
  type Rim,
  type IndexStance,
  type Settings,
  type Theme,
  type Pictures,
} from '../../core/slices/settings/state';

/** The actions at the rim as they are sent. One that is not known here does nothing. */
class RimInput implements Rim {
  @IfSent() @IsTitle() topLeft?: string;
  @IfSent() @IsTitle() top?: string;
  @IfSent() @IsTitle() topRight?: string;
  @IfSent() @IsTitle() left?: string;
  @IfSent() @IsTitle() right?: string;
  @IfSent() @IsTitle() bottomLeft?: string;
  @IfSent() @IsTitle() bottom?: string;
  @IfSent() @IsTitle() bottomRight?: string;
}

/** What is pictured, as it is sent. */
class PicturesInput implements Pictures {
  @IsBoolean() shown!: boolean;
  @IsIdList() except!: string[];
}

/** Settings as they are sent. */
export class SettingsInput implements Settings {
  @IsIn(HOLD_KEYS) holdKey!: HoldKey;
  @IsBoolean() holding!: boolean;
  @IsIn(THEMES) theme!: Theme;
  @IfSent() @IsIn(INDEX_STANCES) index?: IndexStance;
  @IfSent() @IsIn(BLOCKS) block?: Block;
  @IfSent() @IsIn(SWITCHER_SCOPES) switcherShows?: SwitcherScope;
  @IfSent() @IsIn(EDGES) edges?: Edges;
  @IfSent() @IsOne(() => RimInput) rim?: RimInput;
  @IfSent() @IsOne(() => PicturesInput) pictures?: PicturesInput;
  @IfSent() @IsBoolean() browserTabs?: boolean;
  @IfSent() @IsBoolean() tally?: boolean;
}
