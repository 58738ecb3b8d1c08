import type { Confirmation } from '../core/replica/replica';
import type { Batch } from '../core/session/commands';

/** What became of sending a batch. */
export type Outcome =
  | { readonly type: 'stored'; readonly confirmation: Confirmation }
  /** The server will never take it. */
  | { readonly type: 'refused'; readonly detail: string }
  /** The server failed on it, and may again. */
  | { readonly type: 'failed'; readonly detail: string }
  /** It cannot be reached, or not now: nothing is said about the batch. */
  | { readonly type: 'unreachable'; readonly waitMs: number }
  /** The access key was revoked, or never given. */
  | { readonly type: 'locked' };

/** Answers that pass by themselves. */
const PASSING: ReadonlySet<number> = new Set([408, 429, 502, 503, 504]);

/** Sends a batch. */
export async function postBatch(session: string, batch: Batch): Promise<Outcome> {
  let response: Response;
  try {
    response = await fetch(`/api/sessions/${session}/commands`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(batch),
    });
  } catch {
    // What fetch throws is always about reaching the server.
    return { type: 'unreachable', waitMs: 0 };
  }
  if (PASSING.has(response.status))
    return { type: 'unreachable', waitMs: Number(response.headers.get('retry-after') ?? 0) * 1000 || 0 };
  if (response.status === 401) return { type: 'locked' };
  const body: unknown = await response.json().catch(() => null);
  if (response.ok && isConfirmation(body)) return { type: 'stored', confirmation: body };
  const detail = detailOf(body) ?? `The server answered ${response.status}.`;
  const refused = response.status >= 400 && response.status < 500;
  return { type: refused ? 'refused' : 'failed', detail };
}

const isConfirmation = (body: unknown): body is Confirmation =>
  typeof body === 'object' && body !== null && 'batch' in body && 'first' in body && 'events' in body;

function detailOf(body: unknown): string | null {
  if (typeof body !== 'object' || body === null || !('detail' in body)) return null;
  return typeof body.detail === 'string' ? body.detail : null;
}
