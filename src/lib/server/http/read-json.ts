import { Problem } from './problem';

/**
 * The JSON in a request's body.
 * @throws Problem 415 if it is not declared as JSON, 413 beyond `limit` bytes, 400 if it does not parse.
 */
export async function readJson(request: Request, limit: number): Promise<unknown> {
  const type = request.headers.get('content-type')?.split(';')[0]?.trim().toLowerCase();
  if (type !== 'application/json')
    throw new Problem(415, 'Not JSON', 'Send the body with the content type application/json.');
  const text = await readText(request, limit);
  try {
    return JSON.parse(text);
  } catch {
    throw new Problem(400, 'Not JSON', 'The body does not parse as JSON.');
  }
}

async function readText(request: Request, limit: number): Promise<string> {
  const tooLarge = () =>
    new Problem(
      413,
      'Body too large',
      `The body is larger than the limit of ${Math.floor(limit / 1024)} KiB.`,
    );
  if (Number(request.headers.get('content-length') ?? 0) > limit) throw tooLarge();
  const decoder = new TextDecoder();
  let text = '';
  let size = 0;
  const reader = request.body?.getReader();
  for (let chunk = await reader?.read(); chunk && !chunk.done; chunk = await reader?.read()) {
    size += chunk.value.byteLength;
    if (size > limit) {
      await reader?.cancel();
      throw tooLarge();
    }
    text += decoder.decode(chunk.value, { stream: true });
  }
  return text + decoder.decode();
}
