import type { Report } from '../core/protocol/report';
import { reportFrom } from '../core/protocol/upcast';
import { fetchInTime } from './fetch-in-time';
import { commandsAddress } from './session-api';

/** What became of sending a batch. */
export type Outcome =
  /** With what came of it, unless that is heard elsewhere. */
  | { readonly type: 'stored'; readonly report: Report | null }
  /** The server will never take it. */
  | { readonly type: 'refused'; readonly detail: string }
  /** The server failed on it, and may again. */
  | { readonly type: 'failed'; readonly detail: string }
  /** It cannot be reached, or not now: nothing is said about the batch. */
  | { readonly type: 'unreachable'; readonly waitMs: number }
  /** It was given up by whoever sent it. */
  | { readonly type: 'given-up' }
  /** The access key was revoked, or never given. */
  | { readonly type: 'key-needed' }
  /** The session is locked: it will be stored once that is opened. */
  | { readonly type: 'locked' };

/** Answers that pass by themselves. */
const PASSING: ReadonlySet<number> = new Set([408, 429, 502, 503, 504]);

/**
 * A request longer than this, in letters, ends with the page, and is sent by the next one. Browsers allow 64 KiB for
 * all that a page has under way (Fetch, WHATWG), and a letter can be three bytes.
 */
const MOST_KEPT_ALIVE = 16_000;

interface Sending {
  /** Whether what comes of the batch is heard elsewhere, so that the answer need not say it (RFC 7240). */
  readonly minimal: boolean;
  /** Says that no answer will come. */
  readonly signal: AbortSignal;
}

/** Sends a batch, as JSON, and waits for an answer. */
export const postBatch = (session: string, batch: string, { minimal, signal }: Sending): Promise<Outcome> =>
  Promise.race([post(session, batch, minimal), givenUp(signal)]);

/** Not left to `fetch`: in some browsers one that was under way when its page was left never ends, aborted or not. */
const givenUp = (signal: AbortSignal): Promise<Outcome> =>
  new Promise((resolve) => signal.addEventListener('abort', () => resolve({ type: 'given-up' })));

async function post(session: string, batch: string, minimal: boolean): Promise<Outcome> {
  let response: Response;
  let body: string;
  try {
    response = await fetchInTime(commandsAddress(session), {
      method: 'POST',
      headers: { 'content-type': 'application/json', ...(minimal && { prefer: 'return=minimal' }) },
      body: batch,
      // So that what was done last is stored though the page is left at once.
      keepalive: batch.length < MOST_KEPT_ALIVE,
    });
    body = await response.text();
  } catch {
    // What fetch throws is always about reaching the server.
    return { type: 'unreachable', waitMs: 0 };
  }
  if (PASSING.has(response.status))
    return { type: 'unreachable', waitMs: Number(response.headers.get('retry-after') ?? 0) * 1000 || 0 };
  if (response.status === 401) return { type: 'key-needed' };
  if (response.status === 423) return { type: 'locked' };
  const answer = parsed(body);
  if (response.ok && isReport(answer)) return { type: 'stored', report: reportFrom(answer) };
  if (response.ok && response.headers.has('preference-applied')) return { type: 'stored', report: null };
  const detail = detailOf(answer) ?? `The server answered ${response.status}.`;
  const refused = response.status >= 400 && response.status < 500;
  return { type: refused ? 'refused' : 'failed', detail };
}

/** What a text says as JSON; null if it is none. */
function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

const isReport = (body: unknown): body is Report =>
  typeof body === 'object' && body !== null && 'batch' in body && 'first' in body && 'events' in body;

function detailOf(body: unknown): string | null {
  if (typeof body !== 'object' || body === null || !('detail' in body)) return null;
  return typeof body.detail === 'string' ? body.detail : null;
}
