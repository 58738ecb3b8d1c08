import { json } from '@sveltejs/kit';
import { MOST_WEIGHT } from '$lib/core/model/limits';
import { answering } from '$lib/server/http/problem';
import { readJsonBody } from '$lib/server/http/read-json';
import { eventStore, importer } from '$lib/server/runtime';
import { createSession } from '$lib/server/sessions';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = ({ request }) =>
  answering(async () => {
    const session = await importer().check(await readJsonBody(request, MOST_WEIGHT));
    const id = await createSession(eventStore(), session);
    return json({ id }, { status: 201, headers: { location: `/api/sessions/${id}` } });
  });
