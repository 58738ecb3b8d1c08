import { json } from '@sveltejs/kit';
import { LARGEST_PICTURE } from '$lib/core/capture/picture';
import { answering } from '$lib/server/http/problem';
import { readBody } from '$lib/server/http/read-body';
import { eventStore } from '$lib/server/runtime';
import { keepPicture } from '$lib/server/sessions';
import type { RequestHandler } from './$types';

/** Keeps a picture, for a document to name it. */
export const POST: RequestHandler = ({ params, request }) =>
  answering(async () => {
    const png = await readBody(request, 'image/png', 'not-declared-as-png', LARGEST_PICTURE);
    return json(await keepPicture(eventStore(), params.id, png), { status: 201 });
  });
