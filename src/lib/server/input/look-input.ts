import { MOST_LOOKED_AT, type LookedAt } from '../../core/display/pictures';
import { FARTHEST } from '../../core/model/limits';
import { Problem } from '../http/problem';
import { problemsWith } from './check';
import { IsListOf } from './nested';
import { IsId, IsPixels, IsTitle, OrNull } from './rules';
import { summary } from './summary';

class LookedAtInput implements LookedAt {
  @IsId() window!: string;
  @IsPixels(1, FARTHEST) width!: number;
  @OrNull() @IsTitle() seen!: string | null;
}

class LookInput {
  @IsListOf(() => LookedAtInput, { most: MOST_LOOKED_AT }) windows!: LookedAtInput[];
}

/** The windows that a page looks at. @throws Problem `not-a-message` that names every field that is wrong */
export function lookedAtFrom(value: unknown): readonly LookedAt[] {
  const problems = problemsWith(LookInput, value);
  if (problems.length > 0) throw new Problem('not-a-message', summary(problems), problems);
  return (value as LookInput).windows;
}
