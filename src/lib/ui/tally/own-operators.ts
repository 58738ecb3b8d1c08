import type { OutboxStorage } from '../../client/outbox';
import { OPERATOR_RANGE, PUBLISHED, type Operators } from '../../core/tally/operators';

/** They are about a person's hands at one machine, so this browser keeps them. */
const KEY = 'key-fold/operators';

/** The operators that someone chose here; as published where that is none, or makes no sense. */
export function keptOperators(storage: Pick<OutboxStorage, 'getItem'>): Operators {
  const kept = read(storage.getItem(KEY));
  return isOperators(kept) ? kept : PUBLISHED;
}

/** Keeps them. What cannot be kept is as published the next time. */
export function keepOperators(storage: Pick<OutboxStorage, 'setItem'>, operators: Operators): void {
  try {
    storage.setItem(KEY, JSON.stringify(operators));
  } catch {
    // The figures are right all the same.
  }
}

/** Whether a number of seconds makes sense for an operator. */
export const isOperator = (value: unknown): value is number =>
  typeof value === 'number' && value >= OPERATOR_RANGE.least && value <= OPERATOR_RANGE.most;

function read(text: string | null): unknown {
  try {
    return JSON.parse(text ?? 'null');
  } catch {
    return null;
  }
}

const isOperators = (value: unknown): value is Operators =>
  typeof value === 'object' &&
  value !== null &&
  Object.keys(PUBLISHED).every((name) => isOperator((value as Record<string, unknown>)[name]));
