/** A server with one session and a late host, for a page, and the stream on which the page listens to it. */
import type { Batch } from '../src/lib/core/commands/commands';
import { SessionLog } from '../src/lib/core/host/session-log';
import { DONE, type Report } from '../src/lib/core/protocol/report';
import type { Session } from '../src/lib/core/session/session';
import { LateHost, type Manner } from './late-host';
import { later } from './sessions';

/** A stream of server-sent events that the test opens and fills. */
export class TestStream extends EventTarget {
  static latest: TestStream | null = null;
  onopen: (() => void) | null = null;
  onerror: (() => void) | null = null;

  constructor(readonly url: string) {
    super();
    TestStream.latest = this;
  }

  close(): void {
    if (TestStream.latest === this) TestStream.latest = null;
  }
}

/** A server with one session. */
export class LateServer {
  readonly log: SessionLog;
  readonly host: LateHost;
  readonly posted: { batch: Batch; prefer: string | null }[] = [];
  readonly #unheard: Report[] = [];

  constructor(session: Session, manners: readonly Manner[]) {
    this.log = new SessionLog(session, 0);
    this.host = new LateHost(session, manners);
    this.host.open({
      session: () => this.log.session,
      observed: (events, cause) => this.#unheard.push(...this.log.observe(events, cause, later(1))),
      settled: (batch, settlement) => this.#unheard.push(...this.log.settle(batch, settlement)),
    });
  }

  readonly fetch = (_address: string, { body, headers }: RequestInit): Promise<Response> => {
    const batch = JSON.parse(body as string) as Batch;
    const prefer = new Headers(headers).get('prefer');
    this.posted.push({ batch, prefer });
    const taken = this.log.take(batch, later(1));
    if (!taken.ok) return Promise.resolve(Response.json({ detail: taken.refusal.detail }, { status: 422 }));
    this.#unheard.push(...taken.reports);
    this.host.carryOut(batch.id, taken.orders);
    const [report] = taken.reports;
    if (!report || prefer === null)
      return Promise.resolve(
        Response.json(report ?? { batch: batch.id, first: this.log.seq + 1, events: [], settles: DONE }),
      );
    const headersOfAnswer = { 'preference-applied': prefer };
    return Promise.resolve(
      Response.json({ batch: batch.id, first: report.first }, { headers: headersOfAnswer }),
    );
  };

  /** Stops waiting for the host. */
  giveUp(): void {
    for (const batch of this.log.session.underWay)
      this.#unheard.push(...this.log.settle(batch, { kind: 'no-answer' }));
  }

  /** What was written down and not told yet, which nobody tells now but the test. */
  takeReports(): Report[] {
    return this.#unheard.splice(0);
  }

  /** Lets the page hear reports: what was written down. */
  tell(...reports: readonly Report[]): void {
    for (const report of reports.length > 0 ? reports : this.takeReports())
      TestStream.latest?.dispatchEvent(new MessageEvent('s', { data: JSON.stringify(report) }));
  }
}
