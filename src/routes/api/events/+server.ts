import { answering } from '$lib/server/http/problem';
import { followedFrom, streaming } from '$lib/server/http/streaming';
import { eventStore } from '$lib/server/runtime';
import { followSessions, MOST_FOLLOWED } from '$lib/server/sessions';
import type { RequestHandler } from './$types';

/** What happens in several sessions, each after an event of its own. */
export const GET: RequestHandler = ({ url }) =>
  answering(async () => {
    const followed = followedFrom(url.searchParams.get('after') ?? '', MOST_FOLLOWED);
    return streaming(await followSessions(eventStore(), followed, { named: true }));
  });

/** A stream has no end to wait for: only its headers. */
export const HEAD: RequestHandler = () => streaming(null);
