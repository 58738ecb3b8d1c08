import type { decide } from '../../core/host/decide';
import type { Refusal } from '../../core/host/notice';
import type { Batch } from '../../core/commands/commands';
import { DONE, type Report } from '../../core/protocol/report';
import type { Session } from '../../core/session/session';
import { switchBetween, type Switch } from '../../core/tally/recording';
import { isTaken, isUnavailable, Unavailable } from '../database/trouble';
import { planInSlices } from './planning';
import { logRow, type LogRow } from './log-row';
import type { StoredSession } from './session-cache';

/** What came of a batch. */
export type Appended =
  | { readonly kind: 'appended' | 'known'; readonly report: Report }
  | { readonly kind: 'no-session' }
  | { readonly kind: 'id-reused' }
  | { readonly kind: 'too-slow' }
  | { readonly kind: 'refused'; readonly index: number; readonly refusal: Refusal };

/** Batches that may wait for one session. */
const QUEUE_LIMIT = 256;
/** Batches that are stored together. */
const MOST_TOGETHER = 64;
/** Attempts without any progress before a lane gives up for now, and how long it rests between them, in ms. */
const ATTEMPTS = 16;
const LONGEST_REST_MS = 60;

/** What a lane needs of the store, for its session. */
export interface LaneStore {
  readonly decide: typeof decide;
  cached(): StoredSession | undefined;
  /** The newest state; null if there is no such session. */
  load(): Promise<StoredSession | null>;
  forget(): void;
  /** The answers to those of the batches that were stored before. */
  known(batches: readonly Known[]): Promise<Map<string, Appended>>;
  /** @throws an error that `isTaken` if a number or a batch id is there already. */
  write(rows: readonly LogRow[]): Promise<boolean>;
  /** Rows of a session were stored and led to `after`. */
  stored(before: StoredSession, after: StoredSession, reports: readonly Report[]): void;
}

/** A batch, and what tells it from another one with its id. */
export interface Known {
  readonly batch: string;
  readonly digest: string;
}

interface Waiting {
  readonly batch: Batch;
  readonly digest: string;
  readonly settle: (result: Appended) => void;
  readonly fail: (error: unknown) => void;
}

/** A batch that was decided: on which state, and with which result. */
interface Decided {
  readonly waiting: Waiting;
  readonly result: Appended;
}

/** A stretch of batches that were decided one on the other. */
interface Stretch {
  readonly before: StoredSession;
  readonly after: StoredSession;
  readonly rows: readonly LogRow[];
  readonly decided: readonly Decided[];
}

/**
 * One session's way into the log: batches are decided in the order in which they came, several of them are stored
 * together, and the state moves on only once they are. One stretch is under way at a time. Another server may write
 * to the same session meanwhile: then the place in the log is taken, and what was decided is decided anew.
 */
export class Lane {
  #queue: Waiting[] = [];
  #running = false;
  #attempts = 0;
  /** How many of the next batches are stored alone, because one among them broke a statement. */
  #alone = 0;

  /** @param idle is called when nothing waits any more. */
  constructor(
    readonly id: string,
    readonly store: LaneStore,
    readonly idle: () => void,
  ) {}

  /** @throws Unavailable if too many batches wait, or the database cannot be used now. */
  append(batch: Batch, digest: string): Promise<Appended> {
    if (this.#queue.length >= QUEUE_LIMIT)
      return Promise.reject(new Unavailable('Too many batches wait for this session.'));
    return new Promise((settle, fail) => {
      this.#queue.push({ batch, digest, settle, fail });
      void this.#run();
    });
  }

  /** Resolves when nothing is under way any more. */
  async drained(): Promise<void> {
    while (this.#running) await new Promise((resolve) => setImmediate(resolve));
  }

  async #run(): Promise<void> {
    if (this.#running) return;
    this.#running = true;
    while (this.#queue.length > 0) {
      const together = this.#nextTogether();
      try {
        await this.#advance(together);
      } catch (error) {
        this.store.forget();
        if (!isUnavailable(error) && together.length > 1) {
          this.#alone = together.length;
          this.#queue.unshift(...together);
          continue;
        }
        const reason = isUnavailable(error)
          ? new Unavailable('The database cannot be used now.', { cause: error })
          : error;
        for (const { fail } of together) fail(reason);
      }
    }
    this.#running = false;
    this.idle();
  }

  /** A batch that came twice waits until the first one of the two is answered. */
  #nextTogether(): Waiting[] {
    const most = this.#alone > 0 ? 1 : MOST_TOGETHER;
    this.#alone = Math.max(0, this.#alone - 1);
    const ids = new Set<string>();
    const together: Waiting[] = [];
    for (const waiting of this.#queue) {
      if (together.length >= most || ids.has(waiting.batch.id)) break;
      ids.add(waiting.batch.id);
      together.push(waiting);
    }
    this.#queue = this.#queue.slice(together.length);
    return together;
  }

  async #advance(together: readonly Waiting[]): Promise<void> {
    const before = this.store.cached() ?? (await this.store.load());
    if (!before) return this.#sessionGone(together);
    if (before.session.host.kind === 'live') return this.#hostElsewhere(together);
    const stretch = await this.#decide(before, together);
    if (stretch.rows.length === 0) return this.#confirmNothing(stretch);
    try {
      if (!(await this.store.write(stretch.rows))) return this.#sessionGone(together);
    } catch (error) {
      if (!isTaken(error)) throw error;
      return this.#decideAnew(
        stretch.decided.map(({ waiting }) => waiting),
        error,
      );
    }
    this.#attempts = 0;
    const { after, decided } = stretch;
    const reports = decided.flatMap(({ result }) => (result.kind === 'appended' ? [result.report] : []));
    this.store.stored(
      before,
      after,
      reports.filter(({ events }) => events.length > 0),
    );
    await this.#settle(decided);
  }

  #sessionGone(together: readonly Waiting[]): void {
    this.store.forget();
    for (const { settle } of together) settle({ kind: 'no-session' });
  }

  /** Only what has the windows can bring anything about, and it is not connected to this server. */
  #hostElsewhere(together: readonly Waiting[]): void {
    const reason = new Unavailable('What has the windows of this session is not connected.');
    for (const { fail } of together) fail(reason);
  }

  async #decide(before: StoredSession, together: readonly Waiting[]): Promise<Stretch> {
    const rows: LogRow[] = [];
    const decided: Decided[] = [];
    let after = before;
    for (const waiting of together) {
      const decision = await this.#decideOne(after, waiting);
      if (!decision) continue;
      if (!decision.ok) {
        const result: Appended =
          'tooSlow' in decision ? { kind: 'too-slow' } : { kind: 'refused', ...decision };
        decided.push({ waiting, result });
        continue;
      }
      const { events, session } = decision;
      const first = after.seq + 1;
      const { id: batch, origin } = waiting.batch;
      const report: Report = { batch, ...(origin && { origin }), first, events, settles: DONE };
      decided.push({ waiting, result: { kind: 'appended', report } });
      if (events.length === 0) continue;
      rows.push(
        logRow(this.id, report, waiting.digest, switchOf(after.session, session, waiting.batch, report)),
      );
      after = { session, seq: after.seq + events.length };
    }
    return { before, after, rows, decided };
  }

  /** A batch whose deciding breaks fails alone. */
  async #decideOne({ session }: StoredSession, { batch, fail }: Waiting) {
    try {
      return await planInSlices(session, batch, this.store.decide);
    } catch (error) {
      fail(error);
      return null;
    }
  }

  /** What was not stored, because nothing follows from it or it was refused, may have been stored before. */
  async #settle(decided: readonly Decided[]): Promise<void> {
    const unstored = decided.filter(({ result }) => !isStored(result)).map(({ waiting }) => waiting);
    const known = await this.#known(unstored);
    for (const { waiting, result } of decided) waiting.settle(known.get(waiting.batch.id) ?? result);
  }

  /** Nothing was to be stored: that is right only if the state it was decided on is the newest one. */
  async #confirmNothing({ before, decided }: Stretch): Promise<void> {
    const newest = await this.store.load();
    if (!newest) return this.#sessionGone(decided.map(({ waiting }) => waiting));
    if (newest.seq === before.seq) return this.#settle(decided);
    this.#queue.unshift(...decided.map(({ waiting }) => waiting));
  }

  /** Another server was faster, or one of the batches was stored before: those are answered, the others go on. */
  async #decideAnew(together: readonly Waiting[], error: unknown): Promise<void> {
    const known = await this.#known(together);
    const rest = together.filter(({ batch, settle }) => {
      const answer = known.get(batch.id);
      if (answer) settle(answer);
      return !answer;
    });
    this.#attempts = known.size > 0 ? 0 : this.#attempts + 1;
    if (this.#attempts > ATTEMPTS) {
      this.#attempts = 0;
      const reason = new Unavailable('Another server keeps being faster.', { cause: error });
      for (const { fail } of rest) fail(reason);
      return;
    }
    if (known.size === 0) await this.#rest();
    await this.store.load();
    this.#queue.unshift(...rest);
  }

  /** For a random while, so that two servers do not keep meeting. */
  #rest(): Promise<void> {
    const longest = Math.min(2 ** this.#attempts, LONGEST_REST_MS);
    return new Promise((resolve) => setTimeout(resolve, Math.random() * longest));
  }

  #known(waiting: readonly Waiting[]): Promise<Map<string, Appended>> {
    if (waiting.length === 0) return Promise.resolve(new Map<string, Appended>());
    return this.store.known(waiting.map(({ batch, digest }) => ({ batch: batch.id, digest })));
  }
}

/** The switch that a batch is, if it is one; it happened when its last command was made. */
const switchOf = (
  before: Session,
  after: Session,
  batch: Batch,
  { first, origin }: Report,
): Switch | null => {
  const { commands, facts } = batch;
  const at = commands.at(-1)?.at ?? '';
  return switchBetween(before, after, { seq: first, at, origin, commands, ...(facts && { facts }) });
};

const isStored = (result: Appended): boolean => result.kind === 'appended' && result.report.events.length > 0;
