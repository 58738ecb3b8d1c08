import { lastOf, type Report } from '../../core/protocol/report';
import { Feed, type FeedMessage } from './feed';
import type { FollowedLog } from './followed-log';

/** How often an idle stream says that it is alive, in ms. */
const HEARTBEAT_MS = 15_000;
/** How long a page waits before it connects again, in ms. */
const RETRY_MS = 500;
/** What a reader may leave unread, in bytes, before sending waits for it … */
const MOST_UNREAD = 256 * 1024;
/** … and for how long, in ms, before it is dropped: it comes back by itself, after what it read last. */
export const PATIENCE_MS = 30_000;

/** A log that counts the streams that are open on it. */
export interface StreamedLog extends FollowedLog {
  streams: number;
}

/** A session to follow, after the event with this number. */
export interface Followed {
  readonly session: string;
  readonly after: number;
}

/**
 * What happens in sessions, as server-sent events (WHATWG HTML, "Server-sent events"). The id of a message is the
 * number of its last event, so that `Last-Event-ID` resumes without a gap and without a repetition. Messages of a
 * stream that follows several sessions are named after their session.
 *
 * Besides batches a stream says `gone` (the session was deleted), `locked` (it tells nothing more) and `afresh` (its log does not follow what the
 * reader knows: load the session anew).
 */
export function eventStream(
  store: StreamedLog,
  followed: readonly Followed[],
  { named, patience = PATIENCE_MS }: { named: boolean; patience?: number },
): ReadableStream<Uint8Array> {
  let feeds: Feed[] = [];
  let heartbeat: ReturnType<typeof setInterval>;
  let losingPatience: ReturnType<typeof setTimeout> | undefined;
  let open = false;
  const stop = () => {
    if (open) store.streams -= 1;
    open = false;
    clearInterval(heartbeat);
    clearTimeout(losingPatience);
    for (const feed of feeds) feed.close();
  };
  return new ReadableStream<Uint8Array>(
    {
      start(controller) {
        open = true;
        store.streams += 1;
        const drop = (error: unknown) => {
          stop();
          controller.error(error);
        };
        const keepsUp = () => (controller.desiredSize ?? 0) > 0;
        const enqueue = (chunk: Uint8Array) => {
          controller.enqueue(chunk);
          if (!keepsUp())
            losingPatience ??= setTimeout(() => drop(new Error('The reader does not read.')), patience);
        };
        enqueue(encoder.encode(`retry: ${RETRY_MS}\n\n`));
        heartbeat = setInterval(() => keepsUp() && enqueue(encoder.encode(': alive\n\n')), HEARTBEAT_MS);
        feeds = followed.map(
          ({ session, after }) =>
            new Feed(store, session, after, {
              send: (message) => {
                enqueue(encoded(message, named ? session : null));
                return keepsUp();
              },
              failed: drop,
            }),
        );
        for (const feed of feeds) feed.resume();
      },
      pull() {
        clearTimeout(losingPatience);
        losingPatience = undefined;
        for (const feed of feeds) feed.resume();
      },
      cancel: stop,
    },
    { highWaterMark: MOST_UNREAD, size: (chunk) => chunk?.byteLength ?? 0 },
  );
}

const encoder = new TextEncoder();

/** The bytes of news that went out lately: every reader of a session gets the same ones. */
const bodies = new WeakMap<readonly Report[], Map<string | null, Uint8Array>>();

function encoded(message: FeedMessage, name: string | null): Uint8Array {
  if (message.type !== 'stored')
    return encoder.encode(`event: ${message.type}\ndata: ${JSON.stringify({ session: name })}\n\n`);
  const { reports } = message;
  const known = bodies.get(reports) ?? new Map<string | null, Uint8Array>();
  bodies.set(reports, known);
  let bytes = known.get(name);
  if (!bytes) {
    bytes = encoder.encode(reports.map((one) => eventText(one, name)).join(''));
    known.set(name, bytes);
  }
  return bytes;
}

function eventText(report: Report, name: string | null): string {
  const event = name === null ? '' : `event: ${name}\n`;
  return `${event}id: ${lastOf(report)}\ndata: ${JSON.stringify(report)}\n\n`;
}
