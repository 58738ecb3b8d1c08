import { pageSession } from '$lib/server/http/page-session';
import { eventStore } from '$lib/server/runtime';
import type { PageServerLoad } from './$types';

/** One's own keys, and nothing else of the session: the drill has a desk of its own. */
export const load: PageServerLoad = async ({ params: { id } }) => {
  const stored = await pageSession(eventStore(), id);
  if (!stored) return { id, own: null };
  const { settings, ownKeys } = stored.session;
  return { id, own: { settings, ownKeys }, after: stored.seq };
};
