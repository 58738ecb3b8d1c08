/** Evaluates plain arithmetic with mathjs, of which no more is taken than a line of sums needs. */
import {
  absDependencies,
  addDependencies,
  ceilDependencies,
  cosDependencies,
  create,
  divideDependencies,
  evaluateDependencies,
  floorDependencies,
  maxDependencies,
  minDependencies,
  modDependencies,
  multiplyDependencies,
  piDependencies,
  powDependencies,
  roundDependencies,
  sinDependencies,
  sqrtDependencies,
  subtractDependencies,
  tanDependencies,
  unaryMinusDependencies,
  unaryPlusDependencies,
  type FactoryFunctionMap,
} from 'mathjs/number';
import type { Evaluate } from './sums';

/** Nothing here runs for long, whatever it is given. */
const TAKEN = [
  absDependencies,
  addDependencies,
  ceilDependencies,
  cosDependencies,
  divideDependencies,
  evaluateDependencies,
  floorDependencies,
  maxDependencies,
  minDependencies,
  modDependencies,
  multiplyDependencies,
  piDependencies,
  powDependencies,
  roundDependencies,
  sinDependencies,
  sqrtDependencies,
  subtractDependencies,
  tanDependencies,
  unaryMinusDependencies,
  unaryPlusDependencies,
];
const math = create(Object.assign({}, ...TAKEN) as FactoryFunctionMap);

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
