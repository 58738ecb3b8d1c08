import { IsIn } from 'class-validator';
import { FARTHEST, LEAST_HEIGHT, LEAST_WIDTH } from '../../core/model/limits';
import type { Extent, Geometry } from '../../core/model/geometry';
import { PARTS, type Part } from '../../core/placing/parts';
import type { Placement } from '../../core/placing/placement';
import { IsOne } from './nested';
import { IfSent, IsPixels } from './rules';

/** A place and size as they are sent. */
export class GeometryInput implements Geometry {
  @IsPixels(-FARTHEST, FARTHEST) x!: number;
  @IsPixels(-FARTHEST, FARTHEST) y!: number;
  @IsPixels(LEAST_WIDTH, FARTHEST) width!: number;
  @IsPixels(LEAST_HEIGHT, FARTHEST) height!: number;
}

class ExtentInput implements Extent {
  @IsPixels(1, FARTHEST) width!: number;
  @IsPixels(1, FARTHEST) height!: number;
}

/** Where a window lies, as it is sent. */
export class PlacementInput implements Placement {
  @IsOne(() => GeometryInput) geometry!: GeometryInput;
  @IfSent() @IsOne(() => ExtentInput) on?: ExtentInput;
  @IfSent() @IsIn(PARTS) part?: Part;
}
