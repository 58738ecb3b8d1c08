import { Problem } from './problem';
import { readBody } from './read-body';

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
export const readJsonBody = (request: Request, limit: number): Promise<Uint8Array> =>
  readBody(request, 'application/json', 'not-declared-as-json', limit);
