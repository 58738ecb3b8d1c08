import { lastOf, type Report } from '../../core/protocol/report';
import type { Followed, News } from './messages';

/** Sessions that one stream follows, at most: as many as the server takes. */
const MOST_IN_STREAM = 50;
/** Waits before listening again, in ms: the first, and the longest. */
const FIRST_WAIT_MS = 250;
const LONGEST_WAIT_MS = 4_000;

/** How a stream ends what it tells of a session. */
export const ENDINGS = ['gone', 'afresh', 'locked'] as const;
/** One of these. */
export type Ending = (typeof ENDINGS)[number];

/** What a stream tells; a stream that failed tells nothing more. */
export interface StreamListener {
  opened(): void;
  stored(session: string, report: Report): void;
  ended(session: string, how: Ending): void;
  failed(): void;
}

/** Opens a stream; the returned function closes it. */
export type OpenStream = (followed: readonly Followed[], listener: StreamListener) => () => void;

interface Reader {
  readonly session: string;
  /** The number of the last event it was told. */
  after: number;
  readonly tell: (news: News) => void;
}

/**
 * Listens to the server for many pages over as few connections as possible: browsers allow six to a server, which six
 * pages with a stream each would use up. Readers may hear a batch twice, and know what to do with that.
 */
export class NewsHub {
  readonly #readers = new Set<Reader>();
  #close: (() => void)[] = [];
  #wait = FIRST_WAIT_MS;
  #timer: ReturnType<typeof setTimeout> | undefined;
  /** Streams of an earlier generation are closed, and what they still say does not count. */
  #generation = 0;

  constructor(readonly open: OpenStream) {}

  /** Tells `tell` what happens in a session after an event, until the returned function is called. */
  follow({ session, after }: Followed, tell: (news: News) => void): () => void {
    const reader: Reader = { session, after, tell };
    this.#readers.add(reader);
    this.#listenSoon(0);
    return () => {
      if (!this.#readers.delete(reader)) return;
      const others = [...this.#readers].some((other) => other.session === session);
      if (!others) this.#listenSoon(0);
    };
  }

  #listenSoon(wait: number): void {
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => this.#listen(), wait);
  }

  #listen(): void {
    this.#generation += 1;
    const generation = this.#generation;
    const before = this.#close;
    const followed = this.#followed();
    this.#close = chunked(followed, MOST_IN_STREAM).map((part) =>
      this.open(part, this.#listener(generation)),
    );
    // The new ones first: nobody must believe for a moment that the server is gone.
    for (const close of before) close();
  }

  /** Each session once, after the event that its slowest reader knows. */
  #followed(): Followed[] {
    const positions = new Map<string, number>();
    for (const { session, after } of this.#readers)
      positions.set(session, Math.min(after, positions.get(session) ?? Infinity));
    return [...positions].map(([session, after]) => ({ session, after }));
  }

  #listener(generation: number): StreamListener {
    const current = () => generation === this.#generation;
    return {
      opened: () => {
        if (!current()) return;
        this.#wait = FIRST_WAIT_MS;
        this.#tell(() => true, { type: 'heard' });
      },
      stored: (session, report) => {
        if (!current()) return;
        const last = lastOf(report);
        for (const reader of this.#readers)
          if (reader.session === session) {
            reader.after = Math.max(reader.after, last);
            reader.tell({ type: 'stored', report });
          }
      },
      ended: (session, type) => {
        if (!current()) return;
        this.#tell((reader) => reader.session === session, { type });
        // Who wants to go on follows again.
        for (const reader of this.#readers) if (reader.session === session) this.#readers.delete(reader);
      },
      failed: () => {
        if (!current()) return;
        this.#tell(() => true, { type: 'unheard' });
        this.#listenSoon(this.#wait);
        this.#wait = Math.min(this.#wait * 2, LONGEST_WAIT_MS);
      },
    };
  }

  #tell(whom: (reader: Reader) => boolean, news: News): void {
    for (const reader of this.#readers) if (whom(reader)) reader.tell(news);
  }
}

const chunked = <T>(list: readonly T[], size: number): T[][] =>
  Array.from({ length: Math.ceil(list.length / size) }, (_, n) => list.slice(n * size, (n + 1) * size));
