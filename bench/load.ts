/** Clients that ask as fast as they are answered. */
import { Agent, request } from 'node:http';

const agent = new Agent({ keepAlive: true, maxSockets: Infinity });

/** Posts JSON and answers with the status. */
export function post(url: string, body: unknown): Promise<number> {
  const text = JSON.stringify(body);
  return new Promise((resolve, reject) => {
    const sent = request(
      url,
      {
        method: 'POST',
        agent,
        headers: { 'content-type': 'application/json', 'content-length': Buffer.byteLength(text) },
      },
      (response) => {
        response.resume();
        response.on('end', () => resolve(response.statusCode ?? 0));
        response.on('error', reject);
      },
    );
    sent.on('error', reject);
    sent.end(text);
  });
}

export interface Load {
  /** Answers a second. */
  readonly rate: number;
  /** How long each answer took, in ms. */
  readonly times: readonly number[];
}

/** `clients` ask for `ms`, each its next question once the last one is answered. */
export async function load(
  clients: number,
  ms: number,
  ask: (client: number, n: number) => Promise<unknown>,
): Promise<Load> {
  const times: number[] = [];
  const begin = performance.now();
  await Promise.all(
    Array.from({ length: clients }, async (_, client) => {
      for (let n = 0; performance.now() - begin < ms; n += 1) {
        const asked = performance.now();
        await ask(client, n);
        times.push(performance.now() - asked);
      }
    }),
  );
  return { rate: (times.length / (performance.now() - begin)) * 1000, times };
}
