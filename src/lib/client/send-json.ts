import { fetchInTime } from './fetch-in-time';

/** What a server answered: the value, or in words why there is none. */
export type Answer<T> = { readonly value: T } | { readonly problem: string | null };

/**
 * Sends a value and reads the answer.
 * @returns a null problem if the server cannot be reached
 */
export async function sendJson<T>(address: string, body: string): Promise<Answer<T>> {
  try {
    const request = { method: 'POST', headers: { 'content-type': 'application/json' }, body };
    const response = await fetchInTime(address, request);
    const answer: unknown = await response.json();
    if (response.ok) return { value: answer as T };
    return { problem: (answer as { detail?: string }).detail ?? response.statusText };
  } catch {
    return { problem: null };
  }
}
