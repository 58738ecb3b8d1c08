import { webAddress, LONGEST_ADDRESS } from '../../core/guests/web-address';
import { Problem } from '../http/problem';
import { problemsWith } from './check';
import { IsTextOf } from './rules';
import { summary } from './summary';

class FrameInput {
  @IsTextOf(1, LONGEST_ADDRESS) address!: string;
}

/**
 * The address that somebody asks about.
 * @throws Problem `not-an-address`
 */
export function frameAddressFrom(value: unknown): URL {
  const problems = problemsWith(FrameInput, value);
  const read = problems.length === 0 ? webAddress((value as FrameInput).address) : null;
  if (read && 'url' in read) return read.url;
  if (read) problems.push({ pointer: '#/address', detail: read.problem });
  throw new Problem('not-an-address', summary(problems), problems);
}
