import { Problem } from '../http/problem';
import { problemsWith } from './check';
import { summary } from './summary';
import { IsTitle } from './rules';

class AccessInput {
  @IsTitle() key!: string;
}

/**
 * The access key that someone sent.
 * @throws Problem `not-json` if there is none.
 */
export function accessKeyFrom(value: unknown): string {
  const problems = problemsWith(AccessInput, value);
  if (problems.length > 0) throw new Problem('not-json', summary(problems), problems);
  return (value as AccessInput).key;
}
