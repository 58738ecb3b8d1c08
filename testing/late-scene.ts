import { type Batch, type Wish, BATCH_VERSION } from '../src/lib/core/commands/commands';
import { SessionLog } from '../src/lib/core/host/session-log';
import { idsOf } from '../src/lib/core/model/order';
import type { Report } from '../src/lib/core/protocol/report';
import { receive, reject, replicaOf, submit, type Replica } from '../src/lib/core/replica/replica';
import type { Session } from '../src/lib/core/session/session';
import { newestPutAway } from '../src/lib/core/slices/put-away/selectors';
import { sessionOf, later } from './sessions';
import { LateHost, liveSession, type Manner } from './late-host';

export const start = (): Session => liveSession(sessionOf('a: a1 a2 a3- | b: b1 b2- | !c: c1 c2 | d: d1~'));

/** What a person can see of a session. */
export const visible = (session: Session): string =>
  JSON.stringify({
    ...hostTruth(session),
    recent: [idsOf(session.recent.windows), idsOf(session.recent.applications)],
    puttingBack: newestPutAway(session)?.id ?? null,
  });

/** What only the host can know. */
export const hostTruth = ({ front, stacking, workspace, windows, applications }: Session) => ({
  front,
  stacking,
  workspace,
  windows: windows.map(({ id, minimised, geometry, activeTab }) => [id, minimised, geometry, activeTab]),
  applications: applications.map(({ id, hidden, running }) => [id, hidden, running]),
});

/** A page that knows all reports up to some point. */
interface Page {
  replica: Replica;
  heard: number;
}

/** A server with a late host, and pages. */
export class Scene {
  readonly reports: Report[] = [];
  readonly host: LateHost;
  readonly log: SessionLog;
  readonly pages: readonly Page[];
  #ticks = 0;
  #batches = 0;

  constructor(manners: readonly Manner[], pages = 1) {
    this.host = new LateHost(start(), manners);
    this.log = new SessionLog(start(), 0);
    this.pages = Array.from({ length: pages }, () => ({ replica: replicaOf(start(), 0), heard: 0 }));
    this.host.open({
      session: () => this.log.session,
      observed: (events, cause) => this.#write(this.log.observe(events, cause, this.#now())),
      settled: (batch, settlement) => this.#write(this.log.settle(batch, settlement)),
    });
  }

  get page(): Page {
    return this.pages[0] as Page;
  }

  /** What the person at the first page sees. */
  get seen(): Session {
    return this.page.replica.session;
  }

  /** A wish is shown at once, taken by the server, and sent to the host. */
  wish(wish: Wish, page = this.page): void {
    const batch = this.#batchOf(wish);
    const { replica } = submit(page.replica, batch, 0);
    if (replica === page.replica) return;
    page.replica = replica;
    const taken = this.log.take(batch, this.#now());
    if (!taken.ok) return void (page.replica = reject(page.replica, batch.id));
    this.#write(taken.reports);
    if (taken.reports.length === 0) {
      const settles = { kind: 'done' } as const;
      this.receive(page, { batch: batch.id, first: this.log.seq + 1, events: [], settles });
    }
    if (taken.orders.length > 0) this.host.carryOut(batch.id, taken.orders);
  }

  /** A page hears one report, or one that is not the next. */
  hear(ahead = 0, page = this.page): void {
    const report = this.reports[page.heard + ahead];
    if (!report) return;
    this.receive(page, report);
    if (ahead === 0) page.heard += 1;
  }

  receive(page: Page, report: Report): void {
    page.replica = receive(page.replica, report);
  }

  hearAll(): void {
    for (const page of this.pages) while (page.heard < this.reports.length) this.hear(0, page);
  }

  /** The server stops waiting for the oldest batch. */
  giveUp(): void {
    const [oldest] = this.log.session.underWay;
    if (oldest !== undefined) this.#write(this.log.settle(oldest, { kind: 'no-answer' }));
  }

  /** Everything comes to its end; the server stops waiting for what never answers. */
  end(): void {
    this.host.finish();
    while (this.log.session.underWay.length > 0) this.giveUp();
    this.hearAll();
  }

  #batchOf(wish: Wish): Batch {
    this.#batches += 1;
    const id = `x${this.#batches}`;
    return { id, v: BATCH_VERSION, origin: 'key', commands: [{ ...wish, id, at: later(this.#batches) }] };
  }

  #write(reports: readonly Report[]): void {
    this.reports.push(...reports);
  }

  #now(): string {
    this.#ticks += 1;
    return later(10_000 + this.#ticks);
  }
}
