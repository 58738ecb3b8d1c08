import type { Picture } from '../../core/capture/picture';
import { capturesAddress } from '../session-api';
import type { Answer } from '../send-json';

/** So long, in ms, the server may take for a picture: also over a slow line. */
const PATIENCE_MS = 60_000;

/** Hands a picture to the server. @returns what its document is to say; a null problem if the server cannot be reached */
export async function keepPicture(session: string, png: Blob): Promise<Answer<Picture>> {
  try {
    const response = await fetch(capturesAddress(session), {
      method: 'POST',
      headers: { 'content-type': 'image/png' },
      body: png,
      signal: AbortSignal.timeout(PATIENCE_MS),
    });
    const answer: unknown = await response.json();
    if (response.ok) return { value: answer as Picture };
    return { problem: (answer as { detail?: string }).detail ?? response.statusText };
  } catch {
    return { problem: null };
  }
}
