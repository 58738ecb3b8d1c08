/** Clients in a process of their own that hammer one session until they are killed: node crowd.mjs URL CLIENTS WINDOW… */
import { randomUUID } from 'node:crypto';
import { Agent, request } from 'node:http';

const [url, clients, ...windows] = process.argv.slice(2);
const agent = new Agent({ keepAlive: true, maxSockets: Infinity });

const command = (n) =>
  JSON.stringify({
    id: randomUUID(),
    commands: [
      {
        id: randomUUID(),
        at: new Date().toISOString(),
        type: 'bring-to-front',
        window: windows[n % windows.length],
        raiseAll: false,
      },
    ],
  });

const post = (body) =>
  new Promise((resolve) => {
    const sent = request(
      url,
      { method: 'POST', agent, headers: { 'content-type': 'application/json' } },
      (response) => response.resume().on('end', resolve),
    );
    sent.on('error', resolve);
    sent.end(body);
  });

for (let client = 0; client < Number(clients); client += 1)
  void (async () => {
    for (let n = client; ; n += 1) await post(command(n));
  })();
process.on('disconnect', () => process.exit(0));
