import { json } from '@sveltejs/kit';
import { answering } from '$lib/server/http/problem';
import { readJson } from '$lib/server/http/read-json';
import { Turns } from '$lib/server/http/turns';
import { changeFrom, firstPassphraseFrom, passphraseFrom } from '$lib/server/input/passphrase-input';
import { eventStore } from '$lib/server/runtime';
import { loadSession } from '$lib/server/sessions';
import type { RequestHandler } from './$types';

const BODY_LIMIT = 16 * 1024;
const turns = new Turns();
const done = () => new Response(null, { status: 204 });

/** Whether the session is locked, and whether it has a passphrase. */
export const GET: RequestHandler = ({ params }) =>
  answering(async () =>
    json(await eventStore().locks.stateOf(params.id), { headers: { 'cache-control': 'no-store' } }),
  );

/** Locks it. */
export const PUT: RequestHandler = ({ params, request }) =>
  answering(() =>
    turns.take(params.id, async () => {
      const passphrase = firstPassphraseFrom(await readJson(request, BODY_LIMIT));
      await loadSession(eventStore(), params.id);
      await eventStore().locks.lock(params.id, passphrase);
      return done();
    }),
  );

/** Opens it. */
export const POST: RequestHandler = ({ params, request }) =>
  answering(() =>
    turns.take(params.id, async () => {
      await eventStore().locks.unlock(params.id, passphraseFrom(await readJson(request, BODY_LIMIT)));
      return done();
    }),
  );

/** Changes what opens it. */
export const PATCH: RequestHandler = ({ params, request }) =>
  answering(() =>
    turns.take(params.id, async () => {
      const { passphrase, next } = changeFrom(await readJson(request, BODY_LIMIT));
      await eventStore().locks.change(params.id, passphrase, next);
      return done();
    }),
  );
