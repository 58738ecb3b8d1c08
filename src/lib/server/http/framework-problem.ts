import { Problem } from './problem';
import type { ProblemName } from './problem-types';

const BY_STATUS: Readonly<Record<number, ProblemName>> = {
  404: 'not-here',
  405: 'wrong-method',
  413: 'body-too-large',
};

/**
 * An answer of the framework's own that says something went wrong, as a problem document. People who look for a page
 * keep the error page, and the framework's own data requests keep the form that it understands.
 */
export function withProblem(request: Request, response: Response): Response {
  if (response.status < 400) return response;
  if (response.headers.get('content-type')?.startsWith('application/problem+json')) return response;
  const { pathname } = new URL(request.url);
  const api = pathname.startsWith('/api/');
  const wantsPage = !api && (request.headers.get('accept') ?? '').includes('text/html');
  if (wantsPage || pathname.endsWith('/__data.json')) return response;
  const type = BY_STATUS[response.status] ?? (response.status < 500 ? 'malformed-request' : 'went-wrong');
  const allow = response.headers.get('allow');
  return new Problem(type, DETAILS[type] ?? '', [], allow === null ? {} : { allow }).toResponse();
}

const DETAILS: Partial<Record<ProblemName, string>> = {
  'not-here': 'There is nothing at this address.',
  'wrong-method': 'This address does not understand that method.',
  'body-too-large': 'The body is too large.',
  'malformed-request': 'The request is malformed.',
  'went-wrong': 'Nothing was changed.',
};
