import { answering, Problem } from '$lib/server/http/problem';
import { eventStore } from '$lib/server/runtime';
import { eventStream } from '$lib/server/store/event-stream';
import type { RequestHandler } from './$types';

/** Resumes after `Last-Event-ID`, or after the query's `after` on a first connection. */
export const GET: RequestHandler = ({ params, request, url }) =>
  answering(async () => {
    const after = request.headers.get('last-event-id') ?? url.searchParams.get('after') ?? '0';
    if (!/^\d{1,9}$/.test(after))
      throw new Problem(400, 'Not an event number', 'Last-Event-ID and after are whole numbers.', [
        { pointer: '#/after', detail: 'must be a whole number' },
      ]);
    if (!(await eventStore().has(params.id)))
      throw new Problem(404, 'No such session', `There is no session '${params.id}'.`);
    return new Response(eventStream(eventStore(), params.id, Number(after)), {
      headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store' },
    });
  });
