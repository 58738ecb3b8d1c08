import type { Confirmation } from '../../core/replica/replica';
import type { EventStore } from './event-store';

/** How often an idle stream says that it is alive, in ms. */
const HEARTBEAT_MS = 15_000;
/** How long a page waits before it connects again, in ms. */
const RETRY_MS = 500;

/**
 * A session's confirmations after event `seq` as server-sent events (WHATWG HTML, "Server-sent events"), first
 * those written down already, then each new one. The id of a message is the number of its last event, so that
 * `Last-Event-ID` resumes without a gap and without a repetition.
 */
export function eventStream(store: EventStore, session: string, seq: number): ReadableStream<Uint8Array> {
  const encoder = new TextEncoder();
  let sent = seq;
  let stop: () => void;
  return new ReadableStream({
    start(controller) {
      const write = (text: string) => controller.enqueue(encoder.encode(text));
      const send = (confirmation: Confirmation) => {
        sent = confirmation.first + confirmation.events.length - 1;
        write(`id: ${sent}\ndata: ${JSON.stringify(confirmation)}\n\n`);
      };
      // One catching-up at a time; whatever is published meanwhile makes it look once more.
      let catchingUp = Promise.resolve();
      const catchUp = () => {
        catchingUp = catchingUp.then(async () => {
          for (const confirmation of await store.after(session, sent)) send(confirmation);
        });
        catchingUp.catch((error: unknown) => {
          stop();
          controller.error(error);
        });
      };
      const unsubscribe = store.subscribers.subscribe(session, catchUp);
      const heartbeat = setInterval(() => write(': alive\n\n'), HEARTBEAT_MS);
      stop = () => {
        unsubscribe();
        clearInterval(heartbeat);
      };
      write(`retry: ${RETRY_MS}\n\n`);
      catchUp();
    },
    cancel() {
      stop();
    },
  });
}
