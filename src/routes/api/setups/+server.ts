import { json } from '@sveltejs/kit';
import { LARGEST_BATCH } from '$lib/core/model/limits';
import { answering } from '$lib/server/http/problem';
import { readJson } from '$lib/server/http/read-json';
import { setupFrom } from '$lib/server/input/setup-input';
import type { RequestHandler } from './$types';

/** Checks a set-up document; nothing is stored. What a page then takes of it comes as a command. */
export const POST: RequestHandler = ({ request }) =>
  answering(async () => json(setupFrom(await readJson(request, LARGEST_BATCH))));
