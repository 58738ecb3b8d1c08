import { request } from 'node:http';

/** A request as it goes over the wire: `fetch` would refuse or change some of it. */
export interface RawRequest {
  readonly method: string;
  readonly path: string;
  readonly headers: Readonly<Record<string, string>>;
  readonly body: string | Uint8Array | null;
}

/** What came back; a status of 0 where the server closed before it answered. */
export interface RawAnswer {
  readonly status: number;
  readonly type: string;
  readonly body: string;
}

const NOTHING: RawAnswer = { status: 0, type: '', body: '' };

/** Sends a request to the server at `url`. */
export function sendRaw(url: string, { method, path, headers, body }: RawRequest): Promise<RawAnswer> {
  return new Promise((resolve, reject) => {
    const { hostname, port } = new URL(url);
    const sent = request({ hostname, port, method, path, headers, agent: false }, (response) => {
      let text = '';
      response.setEncoding('utf8');
      response.on('data', (chunk: string) => (text += chunk));
      response.on('end', () =>
        resolve({
          status: response.statusCode ?? 0,
          type: response.headers['content-type'] ?? '',
          body: text,
        }),
      );
      response.on('error', () => resolve(NOTHING));
    });
    // A server may close before it has read what is too large.
    sent.on('error', (error: NodeJS.ErrnoException) =>
      ['EPIPE', 'ECONNRESET'].includes(error.code ?? '') ? resolve(NOTHING) : reject(error),
    );
    sent.end(body ?? undefined);
  });
}
