import {
  acknowledge,
  anew,
  receive,
  reject,
  replicaOf,
  submit,
  takeOver,
  unconfirmed,
  UNCONFIRMED_AFTER_MS,
  type Pending,
  type Replica,
} from '../core/replica/replica';
import { BATCH_VERSION, type Batch, type Origin, type Wish } from '../core/commands/commands';
import type { SwitchFacts } from '../core/tally/way';
import type { Report } from '../core/protocol/report';
import type { Outcome } from '../core/desk/messages';
import type { Session, SessionEvent } from '../core/session/session';
import type { DeskLink } from './desk-link';
import { fetchInTime } from './fetch-in-time';
import { newId } from './ids';
import { Present } from './present.svelte';
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

/** What is missing before something that was heard is asked for again after this long, in ms. */
export const GAP_MS = 2_000;

/** What is not stored after this long, in ms, is said to be so. */
const LATE_MS = 2_000;

/** Events that say nothing of the desk. */
const ABOUT_THE_BATCH: ReadonlySet<SessionEvent['type']> = new Set(['batch-taken', 'batch-settled']);

/** What the link tells the page about. */
export interface LinkListener {
  /** The session changed, by this page or another. */
  changed(): void;
  /** The server refused something that this page had shown as done. */
  refused(detail: string): void;
  /** Something came of what this page asked for, and could not foresee. */
  happened(before: Session, events: readonly SessionEvent[]): void;
  /** What has the windows did not answer in time. */
  unanswered(): void;
  /** Something could not be stored and was set aside. */
  setAside(): void;
  /** So many changes have waited long to be stored, and are still not. */
  late(unsent: number): void;
  /** What was done cannot be kept for a reload: the browser's storage is full. */
  notKept(): void;
  /** The session was deleted. */
  gone(): void;
  /** The server asks for the access key. */
  keyNeeded(): void;
  /** The session is locked, and nothing of it may be seen any more. */
  locked(): void;
}

/**
 * The page's link to its session on the server. What the person does takes effect at once, is kept in the outbox,
 * and is sent in order, one batch at a time, for as long as it takes.
 */
export class SessionLink implements DeskLink {
  readonly #replica: Present<Replica>;
  /** True while the server cannot be reached. */
  offline = $state(false);
  /** Batches that the server has not acknowledged. */
  readonly unsent = $derived.by(() => this.#replica.shown.pending.filter(({ taken }) => !taken).length);
  /** Batches of which it is not known yet what came of them. */
  readonly unsettled = $derived.by(() => this.#replica.shown.pending.length);
  readonly #oldest = $derived.by(() => this.#replica.shown.pending.find(({ taken }) => !taken)?.batch.id);
  readonly #oldestOpen = $derived.by(
    () => this.#replica.shown.pending.find(({ fulfilled }) => !fulfilled)?.since,
  );
  /** Batches that the person should know to be unconfirmed. */
  unconfirmed = $state(0);
  /** True while the oldest of them has waited for longer than is usual. */
  late = $state(false);
  /** What could not be stored and waits for a decision. */
  aside = $state.raw<readonly SetAside[]>([]);

  #sending = false;
  /** Whether reports come by themselves. */
  #heard = $state(false);
  #underWay = new AbortController();
  #wait = FIRST_WAIT_MS;
  #closed = false;
  #retry: ReturnType<typeof setTimeout> | undefined;
  #gap: ReturnType<typeof setTimeout> | undefined;
  #unfollow: () => void = () => undefined;
  readonly #tries = new Map<string, number>();

  constructor(
    readonly id: string,
    stored: { session: Session; seq: number },
    readonly outbox: Outbox,
    readonly listener: LinkListener,
  ) {
    this.#replica = new Present(replicaOf(stored.session, stored.seq));
    for (const batch of outbox.load()) this.#takeOver(batch);
    this.aside = outbox.aside();
  }

  /** Whether what happens is heard as it happens. */
  get hears(): boolean {
    return this.#heard;
  }

  /** Whether something that this page wished has not been settled. */
  get isBusy(): boolean {
    return this.#replica.now.pending.length > 0;
  }

  /** The session as it is shown. */
  get session(): Session {
    return this.#replica.shown.session;
  }

  /** The session as it is, to go on from. */
  get sessionNow(): Session {
    return this.#replica.now.session;
  }

  /** Starts listening and sending; the returned function ends both. */
  open(): () => void {
    this.#follow();
    void this.#send();
    const unwatch = $effect.root(() => {
      $effect(() => this.#watchOldest());
      $effect(() => this.#watchOldestOpen());
    });
    const again = () => void this.#send();
    // To a page that was kept for the way back, what was under way when it was left is never answered.
    const back = ({ persisted }: PageTransitionEvent) => persisted && this.#underWay.abort();
    window.addEventListener('online', again);
    window.addEventListener('pageshow', back);
    return () => {
      this.#closed = true;
      clearTimeout(this.#retry);
      clearTimeout(this.#gap);
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

  /** Counts what is unconfirmed, once the oldest has been so for long; the returned function ends that. */
  #watchOldestOpen(): (() => void) | undefined {
    const since = this.#oldestOpen;
    if (since === undefined) return void (this.unconfirmed = 0);
    const count = () => (this.unconfirmed = unconfirmed(this.#replica.now, performance.now()).length);
    const timer = setTimeout(count, since + UNCONFIRMED_AFTER_MS - performance.now());
    return () => clearTimeout(timer);
  }

  /**
   * Does what is wished, all of it or nothing, at once, as far as that can be foreseen.
   * @param facts how it came about, where the tally is to know
   */
  submit(wishes: readonly Wish[], origin: Origin, facts?: SwitchFacts): Outcome {
    const now = new Date();
    const at = now.toISOString();
    const commands = wishes.map((wish) => ({ ...wish, id: newId(), at }));
    const batch: Batch = { id: newId(), v: BATCH_VERSION, commands, origin, ...(facts && { facts }) };
    const { replica, ...outcome } = submit(this.#replica.now, batch, performance.now());
    if (replica === this.#replica.now) return outcome;
    this.#replica.become(replica);
    this.listener.changed();
    // What is seen comes first; keeping and sending follow.
    queueMicrotask(() => this.#keep(batch, now));
    return outcome;
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
      this.#replica.become(takeOver(this.#replica.now, batch, performance.now()));
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
    const answered = new Set(this.#replica.now.early.map(({ batch }) => batch));
    return this.#replica.now.pending.find(({ batch, taken }) => !taken && !answered.has(batch.id))?.batch;
  }

  /** Answers whether the next one may follow at once. */
  async #sendOne(batch: Batch): Promise<boolean> {
    this.#underWay = new AbortController();
    const outcome = await postBatch(this.id, this.outbox.textOf(batch), {
      minimal: this.#heard,
      signal: this.#underWay.signal,
    });
    switch (outcome.type) {
      case 'given-up':
        return true;
      case 'stored':
        this.#reached();
        this.#tries.delete(batch.id);
        if (outcome.report) this.#receive(outcome.report);
        else this.#acknowledged(batch);
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
      case 'key-needed':
        this.listener.keyNeeded();
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
    this.#replica.become(reject(this.#replica.now, batch.id));
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

  #receive(report: Report): void {
    const before = this.#replica.now;
    const own = before.pending.find(({ batch }) => batch.id === report.batch);
    const after = receive(before, report);
    if (report.batch !== null) this.outbox.remove(report.batch);
    this.#replica.become(after);
    if (after.session !== before.session) this.listener.changed();
    if (own) this.#hearOfOwn(own, before, report);
    this.#mindGap();
  }

  /** Listens anew from where this page is, should what comes before something early not come by itself. */
  #mindGap(): void {
    if (this.#replica.now.early.length === 0) {
      clearTimeout(this.#gap);
      this.#gap = undefined;
    } else
      this.#gap ??= setTimeout(() => {
        this.#gap = undefined;
        this.#unfollow();
        this.#follow();
        this.#mindGap();
      }, GAP_MS);
  }

  /** It is stored; what came of it will be reported. */
  #acknowledged({ id }: Batch): void {
    this.outbox.remove(id);
    this.#replica.become(acknowledge(this.#replica.now, id));
  }

  /** What came of something that this page wished. */
  #hearOfOwn({ asked }: Pending, before: Replica, { first, events, settles }: Report): void {
    const news = first > before.seq ? events.filter(({ type }) => !ABOUT_THE_BATCH.has(type)) : [];
    if (asked && news.length > 0) this.listener.happened(before.session, news);
    if (settles?.kind === 'refused') this.listener.refused(settles.detail);
    if (settles?.kind === 'no-answer') this.listener.unanswered();
  }

  #follow(): void {
    this.#unfollow = followNews({ session: this.id, after: this.#replica.now.seq }, (news) =>
      this.#hear(news),
    );
  }

  #hear(news: News): void {
    if (this.#closed) return;
    switch (news.type) {
      case 'stored':
        return this.#receive(news.report);
      case 'heard':
        this.#heard = true;
        this.#reached();
        void this.#send();
        return;
      case 'unheard':
        this.#heard = false;
        this.offline = true;
        return;
      case 'gone':
        return this.listener.gone();
      case 'locked':
        return this.listener.locked();
      case 'afresh':
        void this.#loadAfresh();
    }
  }

  /** The server's log is another than the one this page knows: after a restore, or a long sleep. */
  async #loadAfresh(): Promise<void> {
    this.#unfollow();
    clearTimeout(this.#gap);
    this.#gap = undefined;
    const response = await fetchInTime(sessionAddress(this.id)).catch(() => null);
    if (this.#closed) return;
    if (response?.status === 404) return this.listener.gone();
    if (response?.status === 423) return this.listener.locked();
    const stored = response?.ok
      ? ((await response.json().catch(() => null)) as { session: Session; seq: number } | null)
      : null;
    if (this.#closed) return;
    if (!stored) {
      this.offline = true;
      this.#retry = setTimeout(() => void this.#loadAfresh(), LONGEST_WAIT_MS);
      return;
    }
    this.#replica.become(anew(this.#replica.now, stored));
    this.listener.changed();
    this.#follow();
    void this.#send();
  }
}
