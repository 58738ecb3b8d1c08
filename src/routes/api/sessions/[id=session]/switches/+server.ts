import { json } from '@sveltejs/kit';
import { answering } from '$lib/server/http/problem';
import { spanFrom } from '$lib/server/input/span-input';
import { eventStore } from '$lib/server/runtime';
import { forgetHistory, historyResponse } from '$lib/server/tally/answers';
import type { RequestHandler } from './$types';

/** What is recorded of the session's switches. */
export const GET: RequestHandler = ({ params, url }) =>
  answering(() => historyResponse(eventStore(), params.id, spanFrom(url.searchParams)));

/** Forgets it. */
export const DELETE: RequestHandler = ({ params, url }) =>
  answering(async () =>
    json({ forgotten: await forgetHistory(eventStore(), params.id, spanFrom(url.searchParams)) }),
  );
