import type { WindowId } from '../../core/model/ids';
import { shotsAddress } from '../session-api';

/** So long, in ms, a display may take: a large screen is read and encoded there. */
const PATIENCE_MS = 30_000;

/** A picture of a display's screen, or of one of its windows. @throws if the display gives none */
export async function shotOfDisplay(session: string, window: WindowId | null): Promise<Blob> {
  const response = await fetch(shotsAddress(session), {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ window }),
    signal: AbortSignal.timeout(PATIENCE_MS),
  });
  if (!response.ok) throw new Error(`The display gives no picture (${response.status}).`);
  return response.blob();
}
