import type { Host } from '../core/host/host';
import {
  anew,
  receive,
  reject,
  replicaOf,
  submit,
  type Confirmation,
  type Replica,
} from '../core/replica/replica';
import { BATCH_VERSION, type Batch, type Wish } from '../core/commands/commands';
import type { Outcome } from '../core/desk/messages';
import type { Session } from '../core/session/session';
import { fetchInTime } from './fetch-in-time';
import { newId } from './ids';
import { followNews } from './news/follow';
import type { News } from './news/messages';
import { sessionAddress } from './session-api';
import { batchIn, type Outbox, type SetAside } from './outbox';
import { postBatch } from './post-batch';

/** Waits between two attempts to reach the server, in ms: the first, and the longest. */
const FIRST_WAIT_MS = 250;
const LONGEST_WAIT_MS = 4_000;

/** A batch on which the server failed this many times is set aside, so that the ones behind it get on. */
export const MOST_TRIES = 5;

/** What is not stored after this long, in ms, is said to be so. */
const LATE_MS = 2_000;

/** What the link tells the page about. */
export interface LinkListener {
  /** The session changed, by this page or another. */
  changed(): void;
  /** The server refused something that this page had shown as done. */
  refused(detail: string): void;
  /** Something could not be stored and was set aside. */
  setAside(): void;
  /** So many changes have waited long to be stored, and are still not. */
  late(unsent: number): void;
  /** What was done cannot be kept for a reload: the browser's storage is full. */
  notKept(): void;
  /** The session was deleted. */
  gone(): void;
  /** The server asks for the access key. */
  locked(): void;
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
  readonly #oldest = $derived(this.#replica.pending[0]?.batch.id);
  /** True while the oldest of them has waited for longer than is usual. */
  late = $state(false);
  /** What could not be stored and waits for a decision. */
  aside = $state.raw<readonly SetAside[]>([]);

  #sending = false;
  #underWay = new AbortController();
  #wait = FIRST_WAIT_MS;
  #closed = false;
  #retry: ReturnType<typeof setTimeout> | undefined;
  #unfollow: () => void = () => undefined;
  readonly #tries = new Map<string, number>();
  /** Confirmations that arrived before the ones in front of them. */
  readonly #early = new Map<number, Confirmation>();

  constructor(
    readonly id: string,
    stored: { session: Session; seq: number },
    readonly host: Host,
    readonly outbox: Outbox,
    readonly listener: LinkListener,
  ) {
    this.#replica = replicaOf(stored.session, stored.seq);
    for (const batch of outbox.load()) this.#takeOver(batch);
    this.aside = outbox.aside();
  }

  get session(): Session {
    return this.#replica.session;
  }

  /** Starts listening and sending; the returned function ends both. */
  open(): () => void {
    this.#follow();
    void this.#send();
    const unwatch = $effect.root(() => {
      $effect(() => this.#watchOldest());
    });
    const again = () => void this.#send();
    // To a page that was kept for the way back, what was under way when it was left is never answered.
    const back = ({ persisted }: PageTransitionEvent) => persisted && this.#underWay.abort();
    window.addEventListener('online', again);
    window.addEventListener('pageshow', back);
    return () => {
      this.#closed = true;
      clearTimeout(this.#retry);
      unwatch();
      this.#unfollow();
      window.removeEventListener('online', again);
      window.removeEventListener('pageshow', back);
    };
  }

  /** Says when one has waited long to be stored; the returned function ends that. */
  #watchOldest(): (() => void) | undefined {
    if (this.#oldest === undefined) return;
    const timer = setTimeout(() => {
      this.late = true;
      this.listener.late(this.unsent);
    }, LATE_MS);
    return () => {
      clearTimeout(timer);
      this.late = false;
    };
  }

  /** Does what is wished, all of it or nothing, at once. */
  submit(...wishes: readonly Wish[]): Outcome {
    const now = new Date();
    const at = now.toISOString();
    const commands = wishes.map((wish) => ({ ...wish, id: newId(), at }));
    const batch: Batch = { id: newId(), v: BATCH_VERSION, commands };
    const { replica, notices, refusal } = submit(this.#replica, this.host, batch);
    const events = refusal ? [] : (replica.pending.at(-1)?.events ?? []);
    if (events.length === 0) return { events, notices, refusal };
    this.#replica = replica;
    this.listener.changed();
    // What is seen comes first; keeping and sending follow.
    queueMicrotask(() => this.#keep(batch, now));
    return { events, notices, refusal };
  }

  /** Sends once more what was set aside; what is no batch stays. */
  retryAside(): void {
    for (const { key, text } of this.outbox.aside()) {
      const batch = batchIn(text);
      if (!batch) continue;
      this.outbox.dropAside(key);
      this.#tries.delete(batch.id);
      this.#takeOver(batch);
      this.#keep(batch, new Date(), text);
    }
    this.aside = this.outbox.aside();
    this.listener.changed();
  }

  /** Lets go what was set aside. */
  dropAside(): void {
    for (const { key } of this.outbox.aside()) this.outbox.dropAside(key);
    this.aside = [];
  }

  /** Takes over a batch that an earlier page left; one that makes no sense to this page is set aside. */
  #takeOver(batch: Batch): void {
    try {
      const submitted = submit(this.#replica, this.host, batch);
      // What is refused here may still be known to the server, which has the last word.
      this.#replica = submitted.refusal
        ? { ...this.#replica, pending: [...this.#replica.pending, { batch, events: [] }] }
        : submitted.replica;
    } catch (error) {
      console.error('A batch could not be taken over:', error);
      this.outbox.setAside(batch);
    }
  }

  #keep(batch: Batch, now: Date, text?: string): void {
    try {
      this.outbox.add(batch, now.getTime(), text);
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
      for (let batch = this.#next(); batch && !this.#closed; batch = this.#next())
        if (!(await this.#sendOne(batch))) break;
    } finally {
      this.#sending = false;
    }
  }

  /** The oldest batch that the server has not answered; one whose answer is early waits for the stream. */
  #next(): Batch | undefined {
    const answered = new Set([...this.#early.values()].map(({ batch }) => batch));
    return this.#replica.pending.find(({ batch }) => !answered.has(batch.id))?.batch;
  }

  /** Answers whether the next one may follow at once. */
  async #sendOne(batch: Batch): Promise<boolean> {
    this.#underWay = new AbortController();
    const outcome = await postBatch(this.id, this.outbox.textOf(batch), this.#underWay.signal);
    switch (outcome.type) {
      case 'given-up':
        return true;
      case 'stored':
        this.#reached();
        this.#tries.delete(batch.id);
        this.#receive(outcome.confirmation);
        return true;
      case 'refused':
        this.#reached();
        this.#giveUp(
          batch,
          batch.commands.some(({ type }) => type === 'keep-draft'),
        );
        this.listener.refused(outcome.detail);
        return true;
      case 'failed':
        this.offline = false;
        return this.#triedOnceMore(batch);
      case 'unreachable':
        this.offline = true;
        this.#sendLater(Math.max(outcome.waitMs, this.#wait));
        return false;
      case 'locked':
        this.listener.locked();
        return false;
    }
  }

  #triedOnceMore(batch: Batch): boolean {
    const tries = (this.#tries.get(batch.id) ?? 0) + 1;
    this.#tries.set(batch.id, tries);
    if (tries < MOST_TRIES) {
      this.#sendLater(this.#wait);
      return false;
    }
    this.#giveUp(batch, true);
    this.#wait = FIRST_WAIT_MS;
    this.listener.setAside();
    return true;
  }

  #sendLater(wait: number): void {
    this.#retry = setTimeout(() => void this.#send(), wait);
    this.#wait = Math.min(this.#wait * 2, LONGEST_WAIT_MS);
  }

  /** Takes back what the batch did; what might be missed is set aside, not thrown away. */
  #giveUp(batch: Batch, keepAside: boolean): void {
    if (keepAside) this.#setAside(batch);
    else this.outbox.remove(batch.id);
    this.#tries.delete(batch.id);
    this.#replica = reject(this.#replica, this.host, batch.id);
    this.listener.changed();
  }

  #setAside(batch: Batch): void {
    this.outbox.setAside(batch);
    this.aside = this.outbox.aside();
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

  #follow(): void {
    this.#unfollow = followNews({ session: this.id, after: this.#replica.seq }, (news) => this.#hear(news));
  }

  #hear(news: News): void {
    if (this.#closed) return;
    switch (news.type) {
      case 'stored':
        return this.#receive(news.confirmation);
      case 'heard':
        this.#reached();
        void this.#send();
        return;
      case 'unheard':
        this.offline = true;
        return;
      case 'gone':
        return this.listener.gone();
      case 'afresh':
        void this.#loadAfresh();
    }
  }

  /** The server's log is another than the one this page knows: after a restore, or a long sleep. */
  async #loadAfresh(): Promise<void> {
    this.#unfollow();
    const response = await fetchInTime(sessionAddress(this.id)).catch(() => null);
    if (this.#closed) return;
    if (response?.status === 404) return this.listener.gone();
    const stored = response?.ok
      ? ((await response.json().catch(() => null)) as { session: Session; seq: number } | null)
      : null;
    if (this.#closed) return;
    if (!stored) {
      this.offline = true;
      this.#retry = setTimeout(() => void this.#loadAfresh(), LONGEST_WAIT_MS);
      return;
    }
    this.#early.clear();
    this.#replica = anew(this.#replica, this.host, stored);
    this.listener.changed();
    this.#follow();
    void this.#send();
  }
}
