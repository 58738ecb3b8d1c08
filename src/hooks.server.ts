import type { Handle, HandleServerError, ServerInit } from '@sveltejs/kit';
import { env } from '$env/dynamic/private';
import { answering, Problem } from '$lib/server/http/problem';
import { guard, SECURITY_HEADERS } from '$lib/server/http/guard';
import { startRuntime } from '$lib/server/runtime';

const allowedHosts = (env.KEY_FOLD_HOSTS ?? '').split(',').filter(Boolean);

export const init: ServerInit = () => startRuntime(env.DATABASE_URL);

export const handle: Handle = async ({ event, resolve }) => {
  const response = await answering(async () => {
    guard(event.request.headers, allowedHosts);
    return resolve(event);
  });
  for (const [name, value] of Object.entries(SECURITY_HEADERS)) response.headers.set(name, value);
  return response;
};

export const handleError: HandleServerError = ({ error, event, status, message }) => {
  if (status !== 404 && !(error instanceof Problem))
    console.error(`${event.request.method} ${event.url.pathname}:`, error);
  return { message: status === 404 ? 'There is nothing at this address.' : message };
};
