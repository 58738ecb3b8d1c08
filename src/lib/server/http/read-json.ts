import { Problem } from './problem';

/**
 * The JSON in a request's body.
 * @throws Problem `not-declared-as-json`, `body-too-large` beyond `limit` bytes, `not-json`.
 */
export const readJson = async (request: Request, limit: number): Promise<unknown> =>
  parseJson(new TextDecoder().decode(await readJsonBody(request, limit)));

/** @throws Problem `not-json` */
export function parseJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw new Problem('not-json', 'The body does not parse as JSON.');
  }
}

/**
 * A request's body, which is declared as JSON.
 * @throws Problem `not-declared-as-json`, `body-too-large` beyond `limit` bytes.
 */
export async function readJsonBody(request: Request, limit: number): Promise<Uint8Array> {
  const type = request.headers.get('content-type')?.split(';')[0]?.trim().toLowerCase();
  if (type !== 'application/json')
    throw new Problem('not-declared-as-json', 'Send the body with the content type application/json.');
  const tooLarge = () =>
    new Problem('body-too-large', `The body is larger than the limit of ${Math.floor(limit / 1024)} KiB.`);
  const declared = Number(request.headers.get('content-length') ?? Number.NaN);
  if (declared > limit) throw tooLarge();
  // HTTP holds a sender to the length that he declared; without one the bytes are counted.
  if (declared >= 0) return new Uint8Array(await request.arrayBuffer());
  const chunks: Uint8Array[] = [];
  let size = 0;
  const reader = request.body?.getReader();
  for (let chunk = await reader?.read(); chunk && !chunk.done; chunk = await reader?.read()) {
    size += chunk.value.byteLength;
    if (size > limit) {
      await reader?.cancel();
      throw tooLarge();
    }
    chunks.push(chunk.value);
  }
  const [only] = chunks;
  return chunks.length === 1 && only ? only : joined(chunks, size);
}

function joined(chunks: readonly Uint8Array[], size: number): Uint8Array {
  const whole = new Uint8Array(size);
  let at = 0;
  for (const chunk of chunks) {
    whole.set(chunk, at);
    at += chunk.byteLength;
  }
  return whole;
}
