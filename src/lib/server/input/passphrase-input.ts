import { Problem } from '../http/problem';
import { problemsWith } from './check';
import { IfSent, IsTextOf } from './rules';
import { summary } from './summary';

/** Characters of a new passphrase, at least (NIST SP 800-63B, from memory), and of any, at most. */
const SHORTEST = 8;
const LONGEST = 1_000;

class FirstInput {
  @IfSent() @IsTextOf(SHORTEST, LONGEST) passphrase?: string;
}

class AttemptInput {
  @IsTextOf(1, LONGEST) passphrase!: string;
}

class ChangeInput {
  @IsTextOf(1, LONGEST) passphrase!: string;
  @IsTextOf(SHORTEST, LONGEST) next!: string;
}

/** The passphrase that is to open a session, where one is sent. @throws Problem `not-a-passphrase` */
export const firstPassphraseFrom = (value: unknown): string | null =>
  checked(FirstInput, value).passphrase ?? null;

/** A passphrase that someone tries. @throws Problem `not-a-passphrase` */
export const passphraseFrom = (value: unknown): string => checked(AttemptInput, value).passphrase;

/** The passphrase before, and the next one. @throws Problem `not-a-passphrase` */
export const changeFrom = (value: unknown): { readonly passphrase: string; readonly next: string } =>
  checked(ChangeInput, value);

function checked<T extends object>(input: new () => T, value: unknown): T {
  const problems = problemsWith(input, value);
  if (problems.length > 0) throw new Problem('not-a-passphrase', summary(problems), problems);
  return value as T;
}
