import { json } from '@sveltejs/kit';
import { ALL_PICTURES } from '$lib/core/capture/picture';
import { MOST_WEIGHT } from '$lib/core/model/limits';
import { answering } from '$lib/server/http/problem';
import { readJsonBody } from '$lib/server/http/read-json';
import { eventStore, importer } from '$lib/server/runtime';
import { createSession } from '$lib/server/sessions';
import type { RequestHandler } from './$types';

/** A session, and its pictures in Base64. */
const LARGEST_DOCUMENT = MOST_WEIGHT + Math.ceil((ALL_PICTURES * 4) / 3);

export const POST: RequestHandler = ({ request }) =>
  answering(async () => {
    const imported = await importer().check(await readJsonBody(request, LARGEST_DOCUMENT));
    const id = await createSession(eventStore(), imported);
    return json({ id }, { status: 201, headers: { location: `/api/sessions/${id}` } });
  });
