import { json } from '@sveltejs/kit';
import { answering } from '$lib/server/http/problem';
import { readJson } from '$lib/server/http/read-json';
import { lookedAtFrom } from '$lib/server/input/look-input';
import { displays } from '$lib/server/runtime';
import type { RequestHandler } from './$types';

const LONGEST_BODY = 64 * 1024;

/** Pictures of windows of a display, of those that look different than what was seen. */
export const POST: RequestHandler = ({ params, request }) =>
  answering(async () => {
    const windows = lookedAtFrom(await readJson(request, LONGEST_BODY));
    const pictures = await displays().pictures(params.id, windows);
    return json({ pictures }, { headers: { 'cache-control': 'no-store' } });
  });
