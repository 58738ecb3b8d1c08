import { json } from '@sveltejs/kit';
import { answering } from '$lib/server/http/problem';
import { knownDesks } from '$lib/server/displays/known-desks';
import { displays, eventStore } from '$lib/server/runtime';
import type { RequestHandler } from './$types';

/** The desks that everybody here may know of: the demo, and the displays, which only who has the key may open. */
export const GET: RequestHandler = () =>
  answering(async () => json(await knownDesks(eventStore(), displays())));
