/**
 * The service worker: the application's own files from the browser, desks from the server, and where that cannot be
 * reached, the desk as it last came. Everything else (commands, events, page applications) it leaves alone.
 */
import { build, files, prerendered, version } from '$service-worker';
import { ExpirationPlugin } from 'workbox-expiration';
import { cleanupOutdatedCaches, matchPrecache, precacheAndRoute } from 'workbox-precaching';
import { registerRoute, setCatchHandler } from 'workbox-routing';
import { NetworkFirst, NetworkOnly } from 'workbox-strategies';

const OFFLINE_PAGE = '/offline';
const DESKS = 'key-fold-desks-';
/** Answers that are kept, two a desk: those that came last. */
const MOST_KEPT = 20;
/** A desk's page asks for files by names that only its own version has. */
const deskCache = `${DESKS}${version}`;

cleanupOutdatedCaches();
precacheAndRoute([
  // Their names tell their contents.
  ...build.map((url) => ({ url, revision: null })),
  ...[...files, ...prerendered].map((url) => ({ url, revision: version })),
]);

/** The page of a desk and what it loads, but nothing below it. */
const isDesk = (path: string): boolean => /^\/sessions\/[^/]+(\/__data\.json)?$/.test(path);

registerRoute(
  ({ sameOrigin, url }) => sameOrigin && isDesk(url.pathname),
  new NetworkFirst({
    cacheName: deskCache,
    matchOptions: { ignoreSearch: true },
    plugins: [new ExpirationPlugin({ maxEntries: MOST_KEPT })],
  }),
);
registerRoute(({ request }) => request.mode === 'navigate', new NetworkOnly());

setCatchHandler(async ({ request }) => {
  if (request.mode !== 'navigate') return Response.error();
  const desk = new URL(request.url).pathname === '/' ? await lastDesk() : null;
  return desk ? Response.redirect(desk, 307) : ((await matchPrecache(OFFLINE_PAGE)) ?? Response.error());
});

/** The desk that came last; null if none is kept. */
async function lastDesk(): Promise<string | null> {
  const kept = await (await caches.open(deskCache)).keys();
  return kept.findLast(({ url }) => !url.includes('__data.json'))?.url ?? null;
}

addEventListener('activate', (event) => {
  (event as Event & { waitUntil(work: Promise<unknown>): void }).waitUntil(forgetOlder());
});

async function forgetOlder(): Promise<void> {
  const names = await caches.keys();
  const older = names.filter((name) => name.startsWith(DESKS) && name !== deskCache);
  await Promise.all(older.map((name) => caches.delete(name)));
}
