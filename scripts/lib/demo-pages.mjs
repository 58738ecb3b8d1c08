/** The pages of the demo's page applications, on an origin of their own, as foreign to Key Fold as any page of the web. */
import { createServer } from 'node:http';
import { join } from 'node:path';
import sirv from 'sirv';
import { ROOT } from './paths.mjs';

/** Their content policy: nothing from elsewhere. */
const POLICY = "default-src 'self'; style-src 'self'; script-src 'self'; img-src 'self' data:";

/**
 * Serves them on loopback; resolves with whether the port was free.
 * @param {number} port
 * @returns {Promise<boolean>}
 */
export function serveDemoPages(port) {
  const pages = sirv(join(ROOT, 'demo-pages'), {
    etag: true,
    setHeaders(response, path) {
      response.setHeader('content-security-policy', POLICY);
      response.setHeader('x-content-type-options', 'nosniff');
      // The ferry office wants its page in no frame of anybody's.
      if (path.startsWith('/ferries/')) response.setHeader('x-frame-options', 'DENY');
    },
  });
  const server = createServer((request, response) =>
    pages(
      request,
      response,
      () => void response.writeHead(404, { 'content-type': 'text/plain' }).end('Not here'),
    ),
  );
  // The process ends when the application does, whoever still reads here.
  server.unref();
  return new Promise((resolve) => {
    server.once('error', () => resolve(false));
    server.listen(port, '127.0.0.1', () => resolve(true));
  });
}

/**
 * The port of the demo's pages: KEY_FOLD_PAGES_PORT, else the one after the application's.
 * @param {NodeJS.ProcessEnv} env
 */
export const demoPagesPort = (env) => Number(env.KEY_FOLD_PAGES_PORT ?? Number(env.PORT) + 1);
