import type { Handle, HandleServerError, RequestEvent, ServerInit } from '@sveltejs/kit';
import { redirect } from '@sveltejs/kit';
import { building } from '$app/environment';
import { env } from '$env/dynamic/private';
import { askingPage } from '$lib/server/access/admission';
import { withProblem } from '$lib/server/http/framework-problem';
import { guard, SECURITY_HEADERS } from '$lib/server/http/guard';
import { answering, Problem } from '$lib/server/http/problem';
import { admission, eventStore, startRuntime } from '$lib/server/runtime';

/** Connects to the database, migrates it and loads the demo before the first request. */
export const init: ServerInit = async () => {
  // The page that is shown without a server is made without one.
  if (building) return;
  await startRuntime({
    databaseUrl: env.DATABASE_URL,
    listening: env.HOST ?? '127.0.0.1',
    port: env.PORT ?? '',
    hosts: env.KEY_FOLD_HOSTS ?? '',
    demoPages: `http://127.0.0.1:${env.KEY_FOLD_PAGES_PORT ?? Number(env.PORT ?? 4870) + 1}`,
    workers: env.KEY_FOLD_WORKERS ?? 'build/workers',
    displaySecrets: env.KEY_FOLD_DISPLAY_SECRETS ?? null,
  });
};

/** Lets in who may come in, and gives every answer its headers. */
export const handle: Handle = async ({ event, resolve }) => {
  if (building) return resolve(event);
  const { request, url, cookies } = event;
  const response = await answering(async () => {
    guard(request.headers, event.getClientAddress(), admission().hosts);
    try {
      await admission().check({
        path: url.pathname,
        sessions: sessionsOf(event),
        host: request.headers.get('host') ?? '',
        cookies,
      });
    } catch (error) {
      const page = request.method === 'GET' && (request.headers.get('accept') ?? '').includes('text/html');
      if (error instanceof Problem && page) redirect(303, askingPage(url.pathname));
      throw error;
    }
    await admitToLocked(event);
    return withProblem(request, await resolve(event));
  });
  for (const [name, value] of Object.entries(SECURITY_HEADERS))
    if (!response.headers.has(name)) response.headers.set(name, value);
  return response;
};

/** What of a locked session answers: its page, which shows no more than that it is locked, and the lock itself. */
const OF_LOCKED: ReadonlySet<string | null> = new Set([
  '/sessions/[id=session]',
  '/sessions/[id=session]/drill',
  '/api/sessions/[id=session]/lock',
]);

/** @throws Problem `locked` */
async function admitToLocked({ params, route }: RequestEvent): Promise<void> {
  if (params.id === undefined || OF_LOCKED.has(route.id)) return;
  if (await eventStore().locks.isLocked(params.id)) throw new Problem('locked', 'This session is locked.');
}

/** The sessions that a request is about: the one in its path, and those that it follows. */
function sessionsOf({ params, url }: RequestEvent): string[] {
  const followed = url.searchParams.getAll('after').flatMap((list) => list.split(','));
  return [params.id, ...followed.map((one) => one.split(':')[0])].filter((id) => id !== undefined);
}

/** What the page and the API say of an error that nobody expected: no more than that it happened. */
export const handleError: HandleServerError = ({ error, event, status, message }) => {
  if (status !== 404 && !(error instanceof Problem))
    console.error(`${event.request.method} ${event.url.pathname}:`, error);
  return { message: status === 404 ? 'There is nothing at this address.' : message };
};
