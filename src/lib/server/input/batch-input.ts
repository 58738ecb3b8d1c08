import { ArrayMaxSize, ArrayMinSize, IsArray, IsIn, IsInt, Max, Min } from 'class-validator';
import { BATCH_VERSION, ORIGINS, type Batch, type Origin } from '../../core/commands/commands';
import { MOST_COMMANDS } from '../../core/model/limits';
import { batchFrom as upcastBatch } from '../../core/protocol/upcast';
import { LONGEST_SWITCH_MS, MOST_PRESSES, WAYS, type SwitchFacts, type Way } from '../../core/tally/way';
import { pointerTo, Problem, type FieldProblem } from '../http/problem';
import type { SetupChange } from '../../core/slices/setup/state';
import type { Shortcut } from '../../core/slices/shortcuts/state';
import { problemsWith } from './check';
import { setupChangeProblems } from './setup-input';
import { IsOne } from './nested';
import { summary } from './summary';
import { patternProblems } from './shortcut-input';
import { COMMAND_INPUTS } from './command-input';
import { IfSent, IsNewId } from './rules';

/** How something came about, as it is sent. */
class FactsInput implements SwitchFacts {
  @IsIn(WAYS) way!: Way;
  @IfSent() @IsInt() @Min(0) @Max(LONGEST_SWITCH_MS) took?: number;
  @IfSent() @IsInt() @Min(0) @Max(MOST_PRESSES) presses?: number;
}

class BatchInput {
  @IsNewId() id!: string;
  /** The version of the commands' shape; absent from what pages sent before there were versions. */
  @IfSent() @IsIn([1, BATCH_VERSION]) v?: number;
  @IfSent() @IsIn(ORIGINS) origin?: Origin;
  @IfSent() @IsOne(() => FactsInput) facts?: FactsInput;
  @IsArray() @ArrayMinSize(1) @ArrayMaxSize(MOST_COMMANDS) commands!: unknown[];
}

/**
 * A batch of commands from what a browser sent, in this version's shape.
 * @throws Problem 422 that names every field that is wrong.
 */
export function batchFrom(value: unknown): Batch {
  const problems = problemsWith(BatchInput, value);
  if (problems.length === 0) {
    const batch = upcastBatch(value as BatchInput);
    problems.push(...batch.commands.flatMap((command, index) => commandProblems(command, index)));
    if (problems.length === 0) problems.push(...repeatedIds(batch));
    if (problems.length === 0) return batch;
  }
  throw new Problem('not-a-batch', summary(problems), problems);
}

/** New things are named after their command, so no two commands may have the same id. */
function repeatedIds({ commands }: Batch): FieldProblem[] {
  const seen = new Set<string>();
  return commands.flatMap(({ id }, index) => {
    const again = seen.has(id);
    seen.add(id);
    return again ? [{ pointer: pointerTo(['commands', index, 'id']), detail: 'id is used twice' }] : [];
  });
}

/** What of a command of the right shape is looked into. */
interface Sent {
  readonly shortcut?: string | Shortcut;
  readonly setup?: SetupChange;
}

function insideProblems({ shortcut, setup }: Sent, path: readonly (string | number)[]): FieldProblem[] {
  if (setup) return setupChangeProblems(setup, [...path, 'setup']);
  return typeof shortcut === 'object' ? patternProblems(shortcut, [...path, 'shortcut']) : [];
}

function commandProblems(command: unknown, index: number): FieldProblem[] {
  const path = ['commands', index];
  const { type } = Object(command) as { readonly type?: unknown };
  const input = typeof type === 'string' ? COMMAND_INPUTS.get(type) : undefined;
  if (input) {
    const problems = problemsWith(input, command, path);
    return problems.length > 0 ? problems : insideProblems(command as Sent, path);
  }
  const known = [...COMMAND_INPUTS.keys()].join(', ');
  return [{ pointer: pointerTo([...path, 'type']), detail: `type must be one of ${known}` }];
}
