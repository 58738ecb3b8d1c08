import { Unavailable } from '../database/trouble';
import { PROBLEM_PATH, PROBLEM_TYPES, type ProblemName } from './problem-types';

/** One thing wrong with an input: a JSON Pointer (RFC 6901) in URI fragment form, and what is wrong there. */
export interface FieldProblem {
  readonly pointer: string;
  readonly detail: string;
}

/** A problem to be answered as `application/problem+json` (RFC 9457). */
export class Problem extends Error {
  readonly status: number;

  constructor(
    readonly type: ProblemName,
    readonly detail: string,
    readonly errors: readonly FieldProblem[] = [],
    readonly headers: Readonly<Record<string, string>> = {},
  ) {
    super(`${type}: ${detail}`);
    this.status = PROBLEM_TYPES[type].status;
  }

  /** The problem as an answer (RFC 9457). */
  toResponse(): Response {
    const { type, status, detail, errors } = this;
    const { title } = PROBLEM_TYPES[type];
    const body = {
      type: `${PROBLEM_PATH}${type}`,
      title,
      status,
      detail,
      ...(errors.length > 0 && { errors }),
    };
    const headers = new Headers({ 'content-type': 'application/problem+json', ...this.headers });
    // The rest of a body that is too large is not read, so the connection cannot be used again.
    if (status === 413) headers.set('connection', 'close');
    return new Response(JSON.stringify(body), { status, headers });
  }
}

/** A problem that passes by itself: to be sent again after some seconds. */
export const busy = (detail: string, seconds = 1): Problem =>
  new Problem('busy', detail, [], { 'retry-after': String(seconds) });

/** That there were too many wrong attempts: the next one is taken after `wait` ms. */
export function slowDown(wait: number): Problem {
  const headers = retryAfter(wait);
  return new Problem('slow-down', `Wait ${headers['retry-after']} s before the next attempt.`, [], headers);
}

/** The header that says to wait so many ms, in whole seconds (RFC 9110). */
export const retryAfter = (wait: number) => ({ 'retry-after': String(Math.ceil(wait / 1000)) });

/** The pointer of a path of keys and indices, e.g. `#/commands/0/window`. */
export const pointerTo = (path: readonly (string | number)[]): string => `#${path.map(pointerPart).join('')}`;

/** Half of a surrogate pair has no place in a URI and becomes U+FFFD. */
function pointerPart(part: string | number): string {
  const escaped = wellFormed(String(part)).replaceAll('~', '~0').replaceAll('/', '~1');
  return `/${encodeURIComponent(escaped)}`;
}

const wellFormed = (text: string): string => text.replace(/\p{Surrogate}/gu, '\uFFFD');

/** The answer of `handler`, with any {@link Problem} it throws turned into its response. */
export async function answering(handler: () => Promise<Response>): Promise<Response> {
  try {
    return await handler();
  } catch (error) {
    if (error instanceof Problem) return error.toResponse();
    if (error instanceof Unavailable) return busy(error.message).toResponse();
    throw error;
  }
}
