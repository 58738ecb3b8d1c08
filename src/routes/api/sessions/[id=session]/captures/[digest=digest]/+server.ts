import { answering } from '$lib/server/http/problem';
import { eventStore } from '$lib/server/runtime';
import { findPicture } from '$lib/server/sessions';
import type { RequestHandler } from './$types';

/** The file of a picture. No browser keeps it: the session may be locked. */
export const GET: RequestHandler = ({ params }) =>
  answering(
    async () =>
      new Response(Buffer.from(await findPicture(eventStore(), params.id, params.digest)), {
        headers: { 'content-type': 'image/png', 'cache-control': 'no-store' },
      }),
  );
