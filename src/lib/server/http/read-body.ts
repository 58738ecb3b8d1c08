import { Problem } from './problem';
import type { ProblemName } from './problem-types';

/**
 * A request's body, which is declared to be of a media type.
 * @throws Problem `undeclared` if it is declared as something else, `body-too-large` beyond `limit` bytes.
 */
export async function readBody(
  request: Request,
  mediaType: string,
  undeclared: ProblemName,
  limit: number,
): Promise<Uint8Array> {
  const type = request.headers.get('content-type')?.split(';')[0]?.trim().toLowerCase();
  if (type !== mediaType) throw new Problem(undeclared, `Send the body with the content type ${mediaType}.`);
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
