/** Serves the build. Ends when the script that started it ends, even if that was killed. */
import { once } from 'node:events';
import compression from 'compression';
import { demoPagesPort, serveDemoPages } from './lib/demo-pages.mjs';
import { answerClientError, wellFormed, withProblem } from './lib/well-formed.mjs';

/**
 * What the package works on is Node's own, though its types speak of a framework's.
 * @typedef {import('node:http').IncomingMessage & Parameters<ReturnType<typeof compression>>[0]} Request
 * @typedef {import('node:http').ServerResponse & Parameters<ReturnType<typeof compression>>[1]} Response
 */

/** Pages and documents go out compressed; a stream must not wait until there is enough to compress. */
const compress = compression({
  filter: (request, response) =>
    !String(response.getHeader('content-type')).startsWith('text/event-stream') &&
    compression.filter(request, response),
});

try {
  const build = new URL('../build/index.js', import.meta.url).href;
  /** @type {{ server: { server: import('node:http').Server } }} */
  const { server } = await import(build);
  const { server: http } = server;
  // What no request object can be made of never reaches the application, so it is answered here.
  const [application] = http.listeners('request');
  if (!application) throw new Error('The build answers no requests.');
  http.removeAllListeners('request');
  http.on(
    'request',
    /**
     * @param {Request} request
     * @param {Response} response
     */
    (request, response) =>
      wellFormed(request, response) &&
      compress(request, response, () => application(request, withProblem(response))),
  );
  http.on('upgrade', (request, socket, head) =>
    globalThis.keyFoldUpgrade ? globalThis.keyFoldUpgrade(request, socket, head) : socket.destroy(),
  );
  http.on('clientError', answerClientError);
  if (!http.listening) await once(http, 'listening');
  const pages = demoPagesPort(process.env);
  if (!(await serveDemoPages(pages)))
    console.log(`Key Fold: port ${pages} is taken, so the demo's web pages are not served.`);
  process.send?.('serving');
} catch (error) {
  console.error(`Key Fold: ${error instanceof Error ? error.message : error}`);
  process.exit(1);
}
// Closed for good; the channel to the script that started it would keep the process alive.
process.on('sveltekit:shutdown', () => process.exit(0));
process.on('disconnect', () => process.kill(process.pid, 'SIGTERM'));
