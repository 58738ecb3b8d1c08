import { json } from '@sveltejs/kit';
import { answering } from '$lib/server/http/problem';
import { eventStore } from '$lib/server/runtime';
import { exportSession } from '$lib/server/sessions';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = ({ params }) =>
  answering(async () => json(await exportSession(eventStore(), params.id)));
