import { json } from '@sveltejs/kit';
import { answering } from '$lib/server/http/problem';
import { readJson } from '$lib/server/http/read-json';
import { eventStore } from '$lib/server/runtime';
import { createSession } from '$lib/server/sessions';
import type { RequestHandler } from './$types';

const DOCUMENT_LIMIT = 8 * 1024 * 1024;

export const POST: RequestHandler = ({ request }) =>
  answering(async () => {
    const id = await createSession(eventStore(), await readJson(request, DOCUMENT_LIMIT));
    return json({ id }, { status: 201, headers: { location: `/api/sessions/${id}` } });
  });
