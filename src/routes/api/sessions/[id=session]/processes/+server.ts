import { json } from '@sveltejs/kit';
import { answering } from '$lib/server/http/problem';
import { displays } from '$lib/server/runtime';
import type { RequestHandler } from './$types';

/** What the programs of a display use of their machine; none where nobody knows. */
export const GET: RequestHandler = ({ params }) =>
  answering(async () =>
    json({ programs: await displays().processes(params.id) }, { headers: { 'cache-control': 'no-store' } }),
  );
