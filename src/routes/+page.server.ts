import { redirect } from '@sveltejs/kit';
import { DEMO_ID } from '$lib/demo/demo-id';
import { demoPages, ensureDemo, eventStore } from '$lib/server/runtime';
import type { PageServerLoad } from './$types';

/** The demo is where one begins; one that was deleted begins anew. */
export const load: PageServerLoad = async () => {
  await ensureDemo(eventStore(), demoPages());
  redirect(307, `/sessions/${DEMO_ID}`);
};
