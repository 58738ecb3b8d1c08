import type { Host, Notice, Refusal } from '../core/host/host';
import { receive, reject, replicaOf, submit, type Confirmation, type Replica } from '../core/replica/replica';
import type { Batch, Wish } from '../core/session/commands';
import type { Event } from '../core/session/events';
import type { Session } from '../core/session/session';
import type { Outbox } from './outbox';

/** Waits between two attempts to reach the server, in ms: the first, and the longest. */
const FIRST_WAIT_MS = 250;
const LONGEST_WAIT_MS = 4_000;

export interface Submitted {
  readonly events: readonly Event[];
  readonly notices: readonly Notice[];
  readonly refusal: Refusal | null;
}

/** What the link tells the page about. */
export interface LinkListener {
  /** The session changed, by this page or another. */
  changed(): void;
  /** The server refused something that this page had shown as done. */
  refused(detail: string): void;
  /** What was done cannot be kept for a reload: the browser's storage is full. */
  notKept(): void;
}

/**
 * The page's link to its session on the server. What the person does takes effect at once, is kept in the outbox,
 * and is sent in order, one batch at a time, for as long as it takes.
 */
export class SessionLink {
  #replica = $state.raw<Replica>() as Replica;
  /** True while the server cannot be reached. */
  offline = $state(false);
  /** Batches that the server has not acknowledged. */
  readonly unsent = $derived(this.#replica.pending.length);

  #sending = false;
  #wait = FIRST_WAIT_MS;
  #stream: EventSource | null = null;
  #closed = false;
  #retry: ReturnType<typeof setTimeout> | undefined;
  /** Confirmations that arrived before the ones in front of them. */
  readonly #early = new Map<number, Confirmation>();

  constructor(
    readonly id: string,
    stored: { session: Session; seq: number },
    readonly host: Host,
    readonly outbox: Outbox,
    readonly listener: LinkListener,
  ) {
    let replica = replicaOf(stored.session, stored.seq);
    for (const batch of outbox.load()) {
      const submitted = submit(replica, host, batch);
      // What is refused here may still be known to the server, which has the last word.
      replica = submitted.refusal
        ? { ...replica, pending: [...replica.pending, { batch, events: [] }] }
        : submitted.replica;
    }
    this.#replica = replica;
  }

  get session(): Session {
    return this.#replica.session;
  }

  /** Starts listening and sending; the returned function ends both. */
  open(): () => void {
    this.#listen();
    void this.#send();
    const again = () => void this.#send();
    window.addEventListener('online', again);
    return () => {
      this.#closed = true;
      clearTimeout(this.#retry);
      this.#stream?.close();
      window.removeEventListener('online', again);
    };
  }

  /** Does what is wished, all of it or nothing, at once. */
  submit(...wishes: readonly Wish[]): Submitted {
    const now = new Date();
    const at = now.toISOString();
    const commands = wishes.map((wish) => ({ ...wish, id: crypto.randomUUID(), at }));
    const batch: Batch = { id: crypto.randomUUID(), commands };
    const { replica, notices, refusal } = submit(this.#replica, this.host, batch);
    const events = refusal ? [] : (replica.pending.at(-1)?.events ?? []);
    if (events.length === 0) return { events, notices, refusal };
    this.#replica = replica;
    this.listener.changed();
    // The screen first, the sending after.
    queueMicrotask(() => this.#keep(batch, now));
    return { events, notices, refusal };
  }

  #keep(batch: Batch, now: Date): void {
    try {
      this.outbox.add(batch, now.getTime());
    } catch {
      this.listener.notKept();
    }
    void this.#send();
  }

  async #send(): Promise<void> {
    if (this.#sending || this.#closed) return;
    this.#sending = true;
    clearTimeout(this.#retry);
    try {
      for (let batch = this.#next(); batch && !this.#closed; batch = this.#next()) await this.#sendOne(batch);
    } catch {
      this.offline = true;
      this.#retry = setTimeout(() => void this.#send(), this.#wait);
      this.#wait = Math.min(this.#wait * 2, LONGEST_WAIT_MS);
    } finally {
      this.#sending = false;
    }
  }

  /** The oldest batch that the server has not answered; one whose answer is early waits for the stream. */
  #next(): Batch | undefined {
    const answered = new Set([...this.#early.values()].map(({ batch }) => batch));
    return this.#replica.pending.find(({ batch }) => !answered.has(batch.id))?.batch;
  }

  async #sendOne(batch: Batch): Promise<void> {
    const response = await fetch(`/api/sessions/${this.id}/commands`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(batch),
    });
    if (response.status >= 500 || response.status === 408 || response.status === 429)
      throw new Error(`The server answered ${response.status}.`);
    this.#reached();
    if (response.ok) {
      this.#receive((await response.json()) as Confirmation);
      return;
    }
    const problem: { detail?: string } = await response.json().catch(() => ({}));
    this.outbox.remove(batch.id);
    this.#replica = reject(this.#replica, this.host, batch.id);
    this.listener.changed();
    this.listener.refused(problem.detail ?? `The server answered ${response.status}.`);
  }

  #reached(): void {
    this.offline = false;
    this.#wait = FIRST_WAIT_MS;
  }

  #receive(confirmation: Confirmation): void {
    const before = this.#replica;
    const after = receive(before, this.host, confirmation);
    if (after === null) {
      this.#early.set(confirmation.first, confirmation);
      return;
    }
    this.outbox.remove(confirmation.batch);
    this.#replica = after;
    if (after.session !== before.session) this.listener.changed();
    for (const [first, early] of this.#early) {
      if (first > after.seq + 1) continue;
      this.#early.delete(first);
      this.#receive(early);
      break;
    }
  }

  #listen(): void {
    const stream = new EventSource(`/api/sessions/${this.id}/events?after=${this.#replica.seq}`);
    this.#stream = stream;
    stream.onopen = () => {
      this.#reached();
      void this.#send();
    };
    stream.onmessage = ({ data }) => this.#receive(JSON.parse(data) as Confirmation);
    stream.onerror = () => {
      if (this.#closed) return;
      this.offline = true;
      // The browser connects again by itself unless the answer was an error.
      if (stream.readyState !== EventSource.CLOSED) return;
      setTimeout(() => !this.#closed && this.#listen(), LONGEST_WAIT_MS / 4);
    };
  }
}
