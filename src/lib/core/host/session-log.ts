import type { Batch, Origin } from '../commands/commands';
import type { Instant, WindowId } from '../model/ids';
import { has } from '../model/table';
import { settlementIn, type Report } from '../protocol/report';
import { receive, replicaOf, submit, type Replica } from '../replica/replica';
import { ownership, type Session, type SessionEvent } from '../session/session';
import type { Settlement } from '../slices/under-way/state';
import type { Order } from './order';
import { planOf, type Plan } from './plan';

/** A batch that its host has not settled. */
interface Open {
  readonly origin: Origin | undefined;
  readonly takenAt: Instant;
  /** Windows that were ordered to the front and have not been seen there. */
  readonly unseen: Set<WindowId>;
  /** Own facts that are written down once it is done. */
  readonly whenSettled: readonly SessionEvent[];
}

/** What came of taking a batch. */
export type Taken =
  | {
      readonly ok: true;
      /** What is to be written down now. Empty if nothing follows. */
      readonly reports: readonly Report[];
      /** What the host is to be asked for once that is stored. */
      readonly orders: readonly Order[];
    }
  | Extract<Plan, { ok: false }>;

/**
 * The session of a live host, as it is written down: batches are taken, the host tells what happens and when a batch is
 * over, and all of it becomes reports with dense numbers. Every method answers with the reports that follow.
 *
 * Front is the host's truth, recency is Key Fold's own: a window that was ordered to the front and was gone from there
 * before the host looked was used all the same.
 */
export class SessionLog {
  readonly #open = new Map<string, Open>();
  /** The session as a page sees it that has sent every batch taken here. */
  #ahead: Replica;

  /** @param seq the number of the last event in the session */
  constructor(session: Session, seq: number) {
    this.#ahead = replicaOf(session, seq);
  }

  get session(): Session {
    return this.#ahead.confirmed;
  }

  get seq(): number {
    return this.#ahead.seq;
  }

  /** Takes a batch that was not taken before. It is planned on what the person saw: all that is under way included. */
  take(batch: Batch, at: Instant): Taken {
    const plan = planOf(this.#ahead.session, batch);
    if (!plan.ok) return plan;
    const { events, orders } = plan;
    if (events.length === 0 && orders.length === 0) return { ok: true, reports: [], orders };
    if (orders.length === 0)
      return { ok: true, reports: [this.#write(batch.id, batch.origin, events, true)], orders };
    const whenTaken = events.filter((event) => ownership(event) === 'when-taken');
    const whenSettled = events.filter((event) => ownership(event) === 'when-settled');
    this.#ahead = submit(this.#ahead, batch, 0).replica;
    this.#open.set(batch.id, {
      origin: batch.origin,
      takenAt: at,
      unseen: new Set(orders.flatMap(frontedBy)),
      whenSettled,
    });
    const taking: SessionEvent = { type: 'batch-taken', batch: batch.id };
    return { ok: true, reports: [this.#write(batch.id, batch.origin, [...whenTaken, taking], true)], orders };
  }

  /**
   * Something happened at the host. What a batch caused counts as of when it was taken, so that uses keep the order in
   * which they were wished, however late they are seen.
   * @throws RangeError if an event names something that the session does not have; then nothing has changed.
   */
  observe(events: readonly SessionEvent[], cause: string | null, now: Instant): Report[] {
    if (events.length === 0) return [];
    const open = cause === null ? undefined : this.#open.get(cause);
    const at = open?.takenAt ?? now;
    const stamped = events.map((event) => {
      if (event.type === 'window-fronted') return { ...event, at };
      return event.type === 'application-stopped-answering' ? { ...event, at: now } : event;
    });
    const report = open ? this.#write(cause, open.origin, stamped) : this.#write(null, 'host', stamped);
    for (const event of stamped) if (event.type === 'window-fronted') open?.unseen.delete(event.window);
    return [report];
  }

  /** A batch is over, as its host says or because nobody waits for it any more. One that is not open changes nothing. */
  settle(batch: string, settlement: Settlement): Report[] {
    const open = this.#open.get(batch);
    if (!open) return [];
    this.#open.delete(batch);
    const own = settlement.kind === 'done' ? [...open.whenSettled, ...this.#unseenUses(open)] : [];
    const end: SessionEvent = { type: 'batch-settled', batch, settlement };
    return [this.#write(batch, open.origin, [...own, end])];
  }

  /** Nothing that was under way when the server stopped is known to this one: it is over, without an answer. */
  settleAbandoned(): Report[] {
    return this.session.underWay
      .filter((batch) => !this.#open.has(batch))
      .map((batch) =>
        this.#write(batch, undefined, [{ type: 'batch-settled', batch, settlement: { kind: 'no-answer' } }]),
      );
  }

  #unseenUses({ unseen, takenAt }: Open): SessionEvent[] {
    // The last one first: each goes behind what was used at the same time.
    return [...unseen]
      .reverse()
      .filter((window) => has(this.session.windows, window))
      .map((window) => ({ type: 'window-used', window, at: takenAt }));
  }

  #write(
    batch: string | null,
    origin: Report['origin'],
    events: readonly SessionEvent[],
    takes = false,
  ): Report {
    const settles = settlementIn(events, takes);
    const report: Report = { batch, ...(origin && { origin }), first: this.seq + 1, events, settles };
    this.#ahead = receive(this.#ahead, report);
    return report;
  }
}

const frontedBy = (order: Order): WindowId[] =>
  'make' in order && order.make.type === 'window-fronted' ? [order.make.window] : [];
