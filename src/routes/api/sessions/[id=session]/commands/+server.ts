import { json } from '@sveltejs/kit';
import { LARGEST_BATCH } from '$lib/core/model/limits';
import { answering } from '$lib/server/http/problem';
import { readJson } from '$lib/server/http/read-json';
import { Turns } from '$lib/server/http/turns';
import { eventStore } from '$lib/server/runtime';
import { submitBatch } from '$lib/server/sessions';
import type { RequestHandler } from './$types';

const turns = new Turns();

export const POST: RequestHandler = ({ params, request }) =>
  answering(() =>
    turns.take(params.id, async () =>
      json(await submitBatch(eventStore(), params.id, await readJson(request, LARGEST_BATCH))),
    ),
  );
