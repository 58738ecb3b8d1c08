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

class ShotInput {
  @OrNull() @IsId() window!: string | null;
}

/** What a picture is wanted of: a window, or null for the screen. @throws Problem `not-a-message` */
export const shotFrom = (value: unknown): string | null => checked(ShotInput, value).window;

/** The windows that a page looks at. @throws Problem `not-a-message` that names every field that is wrong */
export const lookedAtFrom = (value: unknown): readonly LookedAt[] => checked(LookInput, value).windows;

function checked<Input extends object>(input: new () => Input, value: unknown): Input {
  const problems = problemsWith(input, value);
  if (problems.length > 0) throw new Problem('not-a-message', summary(problems), problems);
  return value as Input;
}
