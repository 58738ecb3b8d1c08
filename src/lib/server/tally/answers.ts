/** What the server answers about the history of a session's switches. */
import type { HistoryFormat } from '../input/span-input';
import type { EventStore } from '../store/event-store';
import { noSession } from '../sessions';
import { asArrow } from './arrow';
import { asCsv, asJsonLines, forgetSwitches, switchPages, type Span } from './switches';

/** Content types: RFC 4180, JSON Lines, and Apache Arrow's registered one. */
const CONTENT_TYPES: Readonly<Record<HistoryFormat, string>> = {
  csv: 'text/csv; charset=utf-8; header=present',
  jsonl: 'application/jsonl; charset=utf-8',
  arrow: 'application/vnd.apache.arrow.stream',
};

/** The history of a span in one of the formats. @throws Problem `no-such-session` */
export async function historyResponse(
  store: EventStore,
  session: string,
  { as, ...span }: Span & { readonly as: HistoryFormat },
): Promise<Response> {
  if ((await store.last(session)) === null) throw noSession(session);
  const pages = switchPages(store.database, session, span);
  const headers = { 'content-type': CONTENT_TYPES[as], 'cache-control': 'no-store' };
  if (as === 'arrow') return new Response(await asArrow(pages), { headers });
  return new Response(textStream((as === 'csv' ? asCsv : asJsonLines)(pages)), { headers });
}

/** Forgets a span of it; answers how many switches that were. @throws Problem `no-such-session` */
export async function forgetHistory(store: EventStore, session: string, span: Span): Promise<number> {
  if ((await store.last(session)) === null) throw noSession(session);
  return forgetSwitches(store.database, session, span);
}

/** What is read is asked for as it is taken, so that nobody who reads slowly fills the memory. */
function textStream(texts: AsyncGenerator<string, void>): ReadableStream<Uint8Array> {
  const encoder = new TextEncoder();
  return new ReadableStream({
    async pull(controller) {
      const next = await texts.next();
      if (next.done) controller.close();
      else controller.enqueue(encoder.encode(next.value));
    },
    async cancel() {
      await texts.return(undefined);
    },
  });
}
