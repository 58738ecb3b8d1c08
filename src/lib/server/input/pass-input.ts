import { IsBoolean } from 'class-validator';
import type { Pass } from '../../core/slices/recency/state';
import { IsId, IsInstant, OrNull } from './rules';

/** A window that was passed through, as it is sent. */
export class PassInput implements Pass {
  @IsId() window!: string;
  @OrNull() @IsInstant() at!: string | null;
  @OrNull() @IsId() after!: string | null;
  @IsBoolean() minimised!: boolean;
}
