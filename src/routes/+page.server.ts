import { redirect } from '@sveltejs/kit';
import { DEMO_ID } from '$lib/demo/ellavane';

export const load = () => redirect(307, `/sessions/${DEMO_ID}`);
