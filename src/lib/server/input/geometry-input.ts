import { FARTHEST, LEAST_HEIGHT, LEAST_WIDTH } from '../../core/model/limits';
import type { Geometry } from '../../core/model/geometry';
import { IsPixels } from './rules';

/** A place and size as they are sent. */
export class GeometryInput implements Geometry {
  @IsPixels(-FARTHEST, FARTHEST) x!: number;
  @IsPixels(-FARTHEST, FARTHEST) y!: number;
  @IsPixels(LEAST_WIDTH, FARTHEST) width!: number;
  @IsPixels(LEAST_HEIGHT, FARTHEST) height!: number;
}
