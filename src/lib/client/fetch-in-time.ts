/** How long an answer may take, in ms: some, and more for what is long and goes over a slow line. */
const LEAST_TIME_MS = 10_000;
const SLOWEST_LETTERS_A_MS = 20;

/**
 * `fetch`, which gives up after a time: on a connection on which nobody answers it would wait for ever, and with it
 * what is to be stored.
 * @param takesMs how long the server may need, where that is long
 */
export function fetchInTime(address: string, request: RequestInit & { body?: string } = {}, takesMs = 0) {
  const patience = LEAST_TIME_MS + takesMs + (request.body?.length ?? 0) / SLOWEST_LETTERS_A_MS;
  return fetch(address, { ...request, signal: AbortSignal.timeout(Math.ceil(patience)) });
}
