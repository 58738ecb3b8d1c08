/** Serves the build. Ends when the script that started it ends, even if that was killed. */
import { once } from 'node:events';
import compression from 'compression';
import { answerClientError, wellFormed, withProblem } from './lib/well-formed.mjs';

/** Pages and documents go out compressed; a stream must not wait until there is enough to compress. */
const compress = compression({
  filter: (request, response) =>
    !String(response.getHeader('content-type')).startsWith('text/event-stream') &&
    compression.filter(request, response),
});

try {
  const { server } = await import('../build/index.js');
  const { server: http } = server;
  // What no request object can be made of never reaches the application, so it is answered here.
  const [application] = http.listeners('request');
  http.removeAllListeners('request');
  http.on(
    'request',
    (request, response) =>
      wellFormed(request, response) &&
      compress(request, response, () => application(request, withProblem(response))),
  );
  http.on('clientError', answerClientError);
  if (!http.listening) await once(http, 'listening');
  process.send?.('serving');
} catch (error) {
  console.error(`Key Fold: ${error instanceof Error ? error.message : error}`);
  process.exit(1);
}
// Closed for good; the channel to the script that started it would keep the process alive.
process.on('sveltekit:shutdown', () => process.exit(0));
process.on('disconnect', () => process.kill(process.pid, 'SIGTERM'));
