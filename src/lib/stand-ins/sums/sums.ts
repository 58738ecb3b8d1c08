/**
 * Sums: a line a sum, each with what it comes to. `name = …` gives a result a name for the lines below it, and what
 * follows a `#` says what it is. What evaluates an expression is passed in.
 */

/** Evaluates one expression, with the names given so far. @throws Error saying what is wrong with it. */
export type Evaluate = (expression: string, names: Map<string, number>) => number;

/** A line, and what it comes to. */
export interface Sum {
  readonly written: string;
  /** What it says it is: its remark, or its name. */
  readonly label: string;
  /** Null for a line on which nothing is to be reckoned, and for one that cannot be. */
  readonly result: number | null;
  /** What is wrong with it, in the words of who evaluates; null if nothing. */
  readonly problem: string | null;
}

/** Every line of a text, reckoned from the top. */
export function reckoned(text: string, evaluate: Evaluate): Sum[] {
  const names = new Map<string, number>();
  return text.split('\n').map((written) => reckonedLine(written, evaluate, names));
}

const NAMED = /^\s*([\p{L}_][\p{L}\d_]*)\s*=(?!=)(.*)$/u;

function reckonedLine(written: string, evaluate: Evaluate, names: Map<string, number>): Sum {
  const [sum = '', ...remark] = written.split('#');
  const [, name = '', named] = NAMED.exec(sum) ?? [];
  const label = remark.join('#').trim() || name;
  const expression = (named ?? sum).trim();
  if (expression === '') return { written, label, result: null, problem: null };
  try {
    const result = evaluate(expression, names);
    if (name) names.set(name, result);
    return { written, label, result, problem: null };
  } catch (error) {
    return { written, label, result: null, problem: error instanceof Error ? error.message : String(error) };
  }
}

const figures = new Intl.NumberFormat('en-GB', { maximumFractionDigits: 4, minimumFractionDigits: 2 });
const whole = new Intl.NumberFormat('en-GB', { maximumFractionDigits: 4 });

/** A result as it is shown: to four places after the point, and to two at least unless it is whole. */
export const resultText = (result: number): string =>
  (Number.isInteger(result) ? whole : figures).format(result).replace('-', '−');

/** What stands between the keel and the ground, in metres, where the sums name all of it. */
export interface UnderKeel {
  readonly depth: number;
  readonly tide: number;
  readonly draught: number;
  readonly squat: number;
  readonly clearance: number;
}

const PARTS = ['depth', 'tide', 'draught', 'squat', 'clearance'] as const;

/** The parts of an under-keel clearance, if the sums have lines of these names; else null. */
export function underKeelIn(sums: readonly Sum[]): UnderKeel | null {
  const parts = PARTS.map((name) => {
    const line = sums.findLast(({ written }) => NAMED.exec(written)?.[1] === name);
    return [name, line?.result ?? null] as const;
  });
  return parts.every(([, metres]) => metres !== null)
    ? (Object.fromEntries(parts) as unknown as UnderKeel)
    : null;
}
