import { answering, Problem } from '$lib/server/http/problem';
import { readJson } from '$lib/server/http/read-json';
import { shotFrom } from '$lib/server/input/look-input';
import { displays } from '$lib/server/runtime';
import type { RequestHandler } from './$types';

const LONGEST_BODY = 1_024;

/** A picture of a display's screen, or of one of its windows. */
export const POST: RequestHandler = ({ params, request }) =>
  answering(async () => {
    const png = await displays().shot(params.id, shotFrom(await readJson(request, LONGEST_BODY)));
    if (!png) throw new Problem('not-pictured', 'There is no picture of that.');
    return new Response(new Uint8Array(png), {
      headers: { 'content-type': 'image/png', 'cache-control': 'no-store' },
    });
  });
