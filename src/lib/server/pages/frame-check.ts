import { permitsFrames } from '../../core/guests/page';

/** Whether a page can be shown in a frame: by its own headers, or not known because it does not answer. */
export type FrameAnswer = 'permitted' | 'refused' | 'unknown';

/** A page that takes longer to answer, in ms, is not waited for. */
const LONGEST_MS = 5_000;

/**
 * Asks a page for its headers, and no more of it.
 * @param ancestor the origin of the page that the frame would be in
 */
export async function askForFrames(address: URL, ancestor: string): Promise<FrameAnswer> {
  try {
    const response = await fetch(address, { signal: AbortSignal.timeout(LONGEST_MS) });
    await response.body?.cancel();
    if (!response.ok) return 'unknown';
    const permits = permitsFrames((name) => response.headers.get(name), new URL(response.url), ancestor);
    return permits ? 'permitted' : 'refused';
  } catch {
    return 'unknown';
  }
}
