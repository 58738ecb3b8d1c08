import { json } from '@sveltejs/kit';
import { LARGEST_BATCH } from '$lib/core/model/limits';
import { MINIMAL_APPLIED, prefersMinimal } from '$lib/server/http/preference';
import { answering } from '$lib/server/http/problem';
import { readJson } from '$lib/server/http/read-json';
import { Turns } from '$lib/server/http/turns';
import { eventStore } from '$lib/server/runtime';
import { submitBatch } from '$lib/server/sessions';
import type { RequestHandler } from './$types';

const turns = new Turns();

export const POST: RequestHandler = ({ params, request }) =>
  answering(() =>
    turns.take(params.id, async () => {
      const report = await submitBatch(eventStore(), params.id, await readJson(request, LARGEST_BATCH));
      const { batch, first, events } = report;
      // Whoever follows the session hears the rest there.
      return prefersMinimal(request.headers) && events.length > 0
        ? json({ batch, first }, { headers: MINIMAL_APPLIED })
        : json(report);
    }),
  );
