import { json } from '@sveltejs/kit';
import { answering, Problem } from '$lib/server/http/problem';
import { PROBLEM_TYPES } from '$lib/server/http/problem-types';
import type { RequestHandler } from './$types';

/** What a kind of problem means, for those who follow its `type`. */
export const GET: RequestHandler = ({ params }) =>
  answering(async () => {
    const found = Object.entries(PROBLEM_TYPES).find(([name]) => name === params.type);
    if (!found) throw new Problem('not-here', 'There is no such kind of problem.');
    const [type, { status, title, help }] = found;
    return json({ type, status, title, help });
  });
