import type { Batch } from '../../core/commands/commands';
import type { Carrier } from '../../core/host/carrier';
import { SessionLog } from '../../core/host/session-log';
import { DONE, type Report } from '../../core/protocol/report';
import type { Session, SessionEvent } from '../../core/session/session';
import { switchBetween, type Switch } from '../../core/tally/recording';
import type { Settlement } from '../../core/slices/under-way/state';
import { Unavailable } from '../database/trouble';
import type { Appended, LaneStore } from '../store/lane';
import { logRow, type LogRow } from '../store/log-row';
import type { StoredSession } from '../store/session-cache';

/** A batch of which its host has said nothing for so long, in ms, is over without an answer. */
export const ANSWER_MS = 1_000;

/** What is to be stored, and the session that it leads to. */
interface Unwritten {
  readonly row: LogRow;
  readonly report: Report;
  readonly after: StoredSession;
  readonly written: () => void;
  readonly failed: (error: unknown) => void;
}

/**
 * A session whose windows something outside has. What the host tells is written down as it comes; a batch is sent to it
 * once it is on disk, and answered then: how it ends is reported later.
 */
export class LiveSession {
  readonly #log: SessionLog;
  readonly #close: () => void;
  readonly #taking = new Map<string, Promise<unknown>>();
  /** What is under way, for how it came about. */
  readonly #wished = new Map<string, Batch>();
  readonly #patience = new Map<string, ReturnType<typeof setTimeout>>();
  #unwritten: Unwritten[] = [];
  #writing = false;
  #stored: StoredSession;
  #open = true;

  /**
   * @param stored the session as it stands in the log; what was under way in it is over
   * @param lost is called when what happens cannot be stored any more; then this is closed
   */
  constructor(
    readonly id: string,
    stored: StoredSession,
    readonly store: LaneStore,
    readonly carrier: Carrier,
    readonly lost: (error: unknown) => void,
  ) {
    this.#stored = stored;
    this.#log = new SessionLog(stored.session, stored.seq);
    void this.#keep(this.#log.settleAbandoned(), stored.session);
    this.#close = carrier.open({
      session: () => this.#log.session,
      observed: (events, cause) => this.#observed(events, cause),
      settled: (batch, settlement) => this.#settle(batch, settlement),
    });
  }

  /**
   * Takes a batch and answers once that is stored; one that was taken before gets the same answer.
   * @throws Unavailable if it could not be stored.
   */
  async append(batch: Batch, digest: string): Promise<Appended> {
    // One after the other, however many wait: if the first one fails only one of them tries again.
    for (let earlier = this.#taking.get(batch.id); earlier; earlier = this.#taking.get(batch.id))
      await earlier.catch(() => undefined);
    const taking = this.#take(batch, digest);
    this.#taking.set(batch.id, taking);
    try {
      return await taking;
    } finally {
      this.#taking.delete(batch.id);
    }
  }

  /** Stops listening to the host. What is under way will be over, without an answer, when it is there again. */
  close(): void {
    if (!this.#open) return;
    this.#open = false;
    this.#close();
    for (const timer of this.#patience.values()) clearTimeout(timer);
  }

  async #take(batch: Batch, digest: string): Promise<Appended> {
    const known = (await this.store.known([{ batch: batch.id, digest }])).get(batch.id);
    if (known) return known.kind === 'known' ? { ...known, report: this.#asItStands(known.report) } : known;
    if (!this.#open) throw new Unavailable('What has the windows of this session was lost.');
    const detail = this.carrier.refusalOf?.(batch) ?? null;
    if (detail !== null) return { kind: 'refused', index: 0, refusal: { field: 'at', detail } };
    const before = this.#log.session;
    const taken = this.#log.take(batch, now());
    if (!taken.ok) return { kind: 'refused', index: taken.index, refusal: taken.refusal };
    const [report] = taken.reports;
    if (!report) {
      const first = this.#log.seq + 1;
      return { kind: 'appended', report: { batch: batch.id, first, events: [], settles: DONE } };
    }
    await this.#keep([report], before, digest);
    if (this.#log.session.settings !== before.settings)
      this.carrier.settingsChanged?.(this.#log.session.settings);
    // Disconnected meanwhile: it is over, without an answer, when its host is there again.
    if (this.#open && taken.orders.length > 0) {
      this.#patience.set(
        batch.id,
        setTimeout(() => this.#settle(batch.id, { kind: 'no-answer' }), ANSWER_MS),
      );
      this.#wished.set(batch.id, batch);
      this.carrier.carryOut(batch.id, taken.orders);
    }
    return { kind: 'appended', report };
  }

  /** Whoever sends a batch once more may have missed how it ended. */
  #asItStands(report: Report): Report {
    const over = report.batch !== null && !this.#log.session.underWay.includes(report.batch);
    return over && report.settles === null ? { ...report, settles: DONE } : report;
  }

  #observed(events: readonly SessionEvent[], cause: string | null): void {
    const before = this.#log.session;
    if (this.#open) void this.#keep(this.#log.observe(events, cause, now()), before);
  }

  #settle(batch: string, settlement: Settlement): void {
    clearTimeout(this.#patience.get(batch));
    this.#patience.delete(batch);
    const before = this.#log.session;
    if (this.#open) void this.#keep(this.#log.settle(batch, settlement), before);
    this.#wished.delete(batch);
  }

  /**
   * Stores reports in their order; resolves when they are on disk. @param before the session before them
   * @throws what storing threw.
   */
  #keep(reports: readonly Report[], before: Session, digest?: string): Promise<unknown> {
    const after = { session: this.#log.session, seq: this.#log.seq };
    const kept = reports.map(
      (report) =>
        new Promise<void>((written, failed) => {
          const last = report === reports.at(-1);
          const switched = last ? this.#switchOf(before, report) : null;
          const row = logRow(this.id, report, digest, switched);
          this.#unwritten.push({ row, report, after, written, failed });
        }),
    );
    void this.#write();
    const all = Promise.all(kept);
    // Whoever waits hears of it; `lost` is told in any case.
    all.catch(() => undefined);
    return all;
  }

  /** The switch that a report ends, if it does; how it came about says the batch that wished it. */
  #switchOf(before: Session, { batch, first, origin }: Report): Switch | null {
    const wished = batch === null ? undefined : this.#wished.get(batch);
    const { facts, commands = [] } = wished ?? {};
    const around = { seq: first, at: now(), origin, commands, ...(facts && { facts }) };
    return switchBetween(before, this.#log.session, around);
  }

  /** What came while something was being stored is stored together. */
  async #write(): Promise<void> {
    if (this.#writing) return;
    this.#writing = true;
    while (this.#unwritten.length > 0) {
      const part = this.#unwritten;
      this.#unwritten = [];
      try {
        if (!(await this.store.write(part.map(({ row }) => row)))) throw new Error('The session is gone.');
        const after = part.at(-1)?.after ?? this.#stored;
        this.store.stored(
          this.#stored,
          after,
          part.map(({ report }) => report),
        );
        this.#stored = after;
        for (const { written } of part) written();
      } catch (error) {
        this.#lose(error, [...part, ...this.#unwritten]);
      }
    }
    this.#writing = false;
  }

  #lose(error: unknown, unwritten: readonly Unwritten[]): void {
    this.#unwritten = [];
    this.close();
    this.store.forget();
    const reason = new Unavailable('What happened could not be stored.', { cause: error });
    for (const { failed } of unwritten) failed(reason);
    this.lost(error);
  }
}

const now = (): string => new Date().toISOString();
