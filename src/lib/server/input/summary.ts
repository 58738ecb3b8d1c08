import type { FieldProblem } from '../http/problem';

/** The first of several problems in a line, and how many more there are. */
export function summary(problems: readonly FieldProblem[]): string {
  const [first] = problems;
  if (!first) return '';
  const more = problems.length > 1 ? ` (and ${problems.length - 1} more)` : '';
  const where = first.pointer.slice(2).replaceAll('/', '.');
  return `${where && `${where}: `}${first.detail}${more}`;
}
