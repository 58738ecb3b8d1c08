import { IsIn } from 'class-validator';
import { Problem } from '../http/problem';
import type { Span } from '../tally/switches';
import { problemsWith } from './check';
import { IfSent, IsInstant } from './rules';
import { summary } from './summary';

/** The open formats that a history is handed out in. */
export const HISTORY_FORMATS = ['csv', 'jsonl', 'arrow'] as const;
/** One of them. */
export type HistoryFormat = (typeof HISTORY_FORMATS)[number];

class SpanInput {
  @IfSent() @IsInstant() since?: string;
  @IfSent() @IsInstant() until?: string;
  @IfSent() @IsIn(HISTORY_FORMATS) as?: HistoryFormat;
}

/**
 * The part of a history that an address asks for, and the format: JSON Lines if it says none.
 * @throws Problem `not-a-span`
 */
export function spanFrom(query: URLSearchParams): Span & { readonly as: HistoryFormat } {
  const value = Object.fromEntries(query);
  const problems = problemsWith(SpanInput, value);
  if (problems.length > 0) throw new Problem('not-a-span', summary(problems), problems);
  const { since = null, until = null, as = 'jsonl' } = value as SpanInput;
  return { since, until, as };
}
