import { json } from '@sveltejs/kit';
import { answering } from '$lib/server/http/problem';
import { eventStore } from '$lib/server/runtime';
import { deleteSession, loadSession } from '$lib/server/sessions';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = ({ params }) =>
  answering(async () => json(await loadSession(eventStore(), params.id)));

export const DELETE: RequestHandler = ({ params }) =>
  answering(async () => {
    await deleteSession(eventStore(), params.id);
    return new Response(null, { status: 204 });
  });
