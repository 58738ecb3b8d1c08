/** One thing wrong with an input: a JSON Pointer (RFC 6901) in URI fragment form, and what is wrong there. */
export interface FieldProblem {
  readonly pointer: string;
  readonly detail: string;
}

/** A problem to be answered as `application/problem+json` (RFC 9457). */
export class Problem extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    readonly detail: string,
    readonly errors: readonly FieldProblem[] = [],
  ) {
    super(`${title}: ${detail}`);
  }

  toResponse(): Response {
    const { status, title, detail, errors } = this;
    const body = { type: 'about:blank', title, status, detail, ...(errors.length > 0 && { errors }) };
    const headers = new Headers({ 'content-type': 'application/problem+json' });
    // The rest of a body that is too large is not read, so the connection cannot be used again.
    if (status === 413) headers.set('connection', 'close');
    return new Response(JSON.stringify(body), { status, headers });
  }
}

/** The pointer of a path of keys and indices, e.g. `#/commands/0/window`. */
export const pointerTo = (path: readonly (string | number)[]): string =>
  `#${path.map((part) => `/${encodeURIComponent(String(part).replaceAll('~', '~0').replaceAll('/', '~1'))}`).join('')}`;

/** The answer of `handler`, with any {@link Problem} it throws turned into its response. */
export async function answering(handler: () => Promise<Response>): Promise<Response> {
  try {
    return await handler();
  } catch (error) {
    if (error instanceof Problem) return error.toResponse();
    throw error;
  }
}
