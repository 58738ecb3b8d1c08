import { error } from '@sveltejs/kit';
import { byColumns, type Json } from '$lib/core/formats/columns';
import { Unavailable } from '$lib/server/database/trouble';
import { eventStore } from '$lib/server/runtime';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params }) => {
  try {
    if (await eventStore().locks.isLocked(params.id)) return { id: params.id, stored: null };
    const stored = await eventStore().load(params.id);
    if (!stored) error(404, `There is no session '${params.id}'.`);
    // As a text: the framework's own notation of a large object is twice as long on the wire.
    return { id: params.id, stored: JSON.stringify(byColumns(stored as unknown as Json)) };
  } catch (cause) {
    if (cause instanceof Unavailable)
      error(503, 'The database cannot be reached now. Try again in a moment.');
    throw cause;
  }
};
