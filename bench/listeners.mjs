/** Streams in a process of their own, until it is killed: node listeners.mjs URL COUNT read|sit */
import { Agent, get } from 'node:http';

const [url, count, how] = process.argv.slice(2);
const agent = new Agent({ maxSockets: Infinity });

for (let n = 0; n < Number(count); n += 1)
  get(url, { agent }, (response) => (how === 'read' ? response.resume() : response.pause())).on(
    'error',
    () => undefined,
  );
setInterval(() => undefined, 60_000);
