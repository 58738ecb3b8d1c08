import { IsBoolean, IsIn } from 'class-validator';
import { HOLD_KEYS, THEMES, type HoldKey, type Settings, type Theme } from '../../core/slices/settings/state';

/** Settings as they are sent. */
export class SettingsInput implements Settings {
  @IsIn(HOLD_KEYS) holdKey!: HoldKey;
  @IsBoolean() holding!: boolean;
  @IsIn(THEMES) theme!: Theme;
}
