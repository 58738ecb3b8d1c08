import { Problem } from '../src/lib/server/http/problem';

/** The problem that some work ends in. @throws Error if it ends in none; anything else that it throws is passed on. */
export function problemOf(work: () => unknown): Problem {
  try {
    work();
  } catch (error) {
    if (error instanceof Problem) return error;
    throw error;
  }
  throw new Error('It was accepted.');
}
