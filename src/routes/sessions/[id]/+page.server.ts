import { error } from '@sveltejs/kit';
import { eventStore } from '$lib/server/runtime';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params }) => {
  const stored = await eventStore().load(params.id);
  if (!stored) error(404, `There is no session '${params.id}'.`);
  return { id: params.id, stored };
};
