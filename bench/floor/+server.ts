/**
 * The floor for a command: a SvelteKit route that reads JSON and does one prepared insert. It is no part of Key Fold;
 * the bench builds it into a copy.
 */
import { json, type RequestHandler } from '@sveltejs/kit';
import { run } from '$lib/server/database/connect';
import { eventStore } from '$lib/server/runtime';

export const POST: RequestHandler = async ({ request }) => {
  const body: unknown = await request.json();
  await run(eventStore().database.write, 'insert into floor (body) values ($1)', [JSON.stringify(body)]);
  return json({ stored: true });
};
