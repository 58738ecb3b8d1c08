import { ArrayMaxSize, ArrayMinSize, IsArray } from 'class-validator';
import type { Batch } from '../../core/session/commands';
import { MOST_COMMANDS } from '../../core/session/limits';
import { pointerTo, Problem, type FieldProblem } from '../http/problem';
import { problemsWith } from './check';
import { COMMAND_INPUTS } from './command-input';
import { IsNewId } from './rules';

class BatchInput {
  @IsNewId() id!: string;
  @IsArray() @ArrayMinSize(1) @ArrayMaxSize(MOST_COMMANDS) commands!: unknown[];
}

/**
 * A batch of commands from what a browser sent.
 * @throws Problem 422 that names every field that is wrong.
 */
export function batchFrom(value: unknown): Batch {
  const problems = problemsWith(BatchInput, value);
  if (problems.length === 0) {
    const batch = value as BatchInput;
    problems.push(...batch.commands.flatMap((command, index) => commandProblems(command, index)));
    if (problems.length === 0) problems.push(...repeatedIds(value as Batch));
    if (problems.length === 0) return value as Batch;
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

function commandProblems(command: unknown, index: number): FieldProblem[] {
  const path = ['commands', index];
  const type =
    typeof command === 'object' && command !== null && 'type' in command ? command.type : undefined;
  if (typeof type !== 'string' || !Object.hasOwn(COMMAND_INPUTS, type)) {
    const known = Object.keys(COMMAND_INPUTS).join(', ');
    return [{ pointer: pointerTo([...path, 'type']), detail: `type must be one of ${known}` }];
  }
  return problemsWith(COMMAND_INPUTS[type as keyof typeof COMMAND_INPUTS], command, path);
}

/** The first of several problems in a line, and how many more there are. */
export function summary(problems: readonly FieldProblem[]): string {
  const [first] = problems;
  if (!first) return '';
  const more = problems.length > 1 ? ` (and ${problems.length - 1} more)` : '';
  const where = first.pointer.slice(2).replaceAll('/', '.');
  return `${where && `${where}: `}${first.detail}${more}`;
}
