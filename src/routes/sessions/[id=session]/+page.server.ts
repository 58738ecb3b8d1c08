import { byColumns, type Json } from '$lib/core/formats/columns';
import { pageSession } from '$lib/server/http/page-session';
import { eventStore } from '$lib/server/runtime';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params: { id } }) => {
  const stored = await pageSession(eventStore(), id);
  // As a text: the framework's own notation of a large object is twice as long on the wire.
  return { id, stored: stored && JSON.stringify(byColumns(stored as unknown as Json)) };
};
