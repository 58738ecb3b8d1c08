import { ID_PATTERN } from '../../core/formats/session-document';
import type { Followed } from '../store/event-stream';
import { Problem } from './problem';

/** An answer of server-sent events. */
export const streaming = (body: ReadableStream<Uint8Array> | null): Response =>
  new Response(body, { headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store' } });

/** @throws Problem `not-an-event-number` */
export function eventNumber(text: string): number {
  if (!/^\d{1,9}$/.test(text))
    throw new Problem('not-an-event-number', 'Last-Event-ID and after are whole numbers.', [
      { pointer: '#/after', detail: 'must be a whole number' },
    ]);
  return Number(text);
}

/**
 * Sessions and event numbers from a query such as `after=ellavane:12,s-…:0`.
 * @throws Problem `not-an-event-number`
 */
export function followedFrom(after: string, most: number): Followed[] {
  const followed = after.split(',').map((part) => {
    const [session = '', number = ''] = part.split(':');
    if (!ID_PATTERN.test(session))
      throw new Problem('not-an-event-number', 'after lists sessions and event numbers, as in a:1,b:2.', [
        { pointer: '#/after', detail: 'must list sessions and event numbers' },
      ]);
    return { session, after: eventNumber(number) };
  });
  if (followed.length > most || new Set(followed.map(({ session }) => session)).size < followed.length)
    throw new Problem('not-an-event-number', `after lists up to ${most} sessions, each once.`, [
      { pointer: '#/after', detail: 'lists too many sessions, or one twice' },
    ]);
  return followed;
}
