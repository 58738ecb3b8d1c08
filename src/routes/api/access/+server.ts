import { answering } from '$lib/server/http/problem';
import { readJson } from '$lib/server/http/read-json';
import { accessKeyFrom } from '$lib/server/input/access-input';
import { admission } from '$lib/server/runtime';
import type { RequestHandler } from './$types';

const BODY_LIMIT = 4 * 1024;

export const POST: RequestHandler = ({ request, cookies, getClientAddress }) =>
  answering(async () => {
    const key = accessKeyFrom(await readJson(request, BODY_LIMIT));
    // Behind a proxy only the page's own origin tells whether it came over TLS.
    const secure = request.headers.get('origin')?.startsWith('https:') ?? false;
    await admission().enter(key, getClientAddress(), cookies, secure);
    return new Response(null, { status: 204 });
  });
