/** Evaluates plain arithmetic with mathjs, of which no more is taken than a line of sums needs. */
import { create, type FactoryFunctionMap } from 'mathjs/number';
import * as arithmetic from './arithmetic';
import type { Evaluate } from './sums';

// The package's types call each of its own parts optional.
const math = create({ ...arithmetic } as FactoryFunctionMap);

/** What reaches further than arithmetic. */
const FORBIDDEN = ['evaluate', 'parse', 'import', 'createUnit', 'config', 'typed'];

/** Evaluates an expression to a finite number. @throws Error saying why it comes to none. */
export const evaluate: Evaluate = (expression, names) => {
  const scope = new Map<string, unknown>([
    ...FORBIDDEN.map((name): [string, undefined] => [name, undefined]),
    ...names,
  ]);
  const result: unknown = math.evaluate(expression, scope);
  if (typeof result !== 'number') throw new TypeError('This comes to no number.');
  if (!Number.isFinite(result)) throw new RangeError('This comes to no finite number.');
  return result;
};
