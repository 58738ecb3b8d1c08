import { answering } from '$lib/server/http/problem';
import { eventNumber, streaming } from '$lib/server/http/streaming';
import { eventStore } from '$lib/server/runtime';
import { followSessions, loadSession } from '$lib/server/sessions';
import type { RequestHandler } from './$types';

/** Resumes after `Last-Event-ID`, or after the query's `after` on a first connection. */
export const GET: RequestHandler = ({ params, request, url }) =>
  answering(async () => {
    const after = eventNumber(request.headers.get('last-event-id') ?? url.searchParams.get('after') ?? '0');
    return streaming(await followSessions(eventStore(), [{ session: params.id, after }], { named: false }));
  });

/** A stream has no end to wait for: only its headers. */
export const HEAD: RequestHandler = ({ params }) =>
  answering(async () => {
    await loadSession(eventStore(), params.id);
    return streaming(null);
  });
