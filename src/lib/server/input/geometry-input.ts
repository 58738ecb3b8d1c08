import type { Geometry } from '../../core/session/session';
import { IsPixels } from './rules';

const FARTHEST = 20_000;
const LEAST_WIDTH = 120;
const LEAST_HEIGHT = 60;

export class GeometryInput implements Geometry {
  @IsPixels(-FARTHEST, FARTHEST) x!: number;
  @IsPixels(-FARTHEST, FARTHEST) y!: number;
  @IsPixels(LEAST_WIDTH, FARTHEST) width!: number;
  @IsPixels(LEAST_HEIGHT, FARTHEST) height!: number;
}
