import { find } from '../model/table';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { commandFrom, wishFrom, wishSeeds, type WishSeed } from '../../../../testing/wishes';
import { sessionOf } from '../../../../testing/sessions';
import { runs } from '../../../../testing/runs';
import type { Batch, Wish } from '../commands/commands';
import type { Session } from '../session/session';
import { planOf } from '../host/plan';
import { DONE, type Report } from '../protocol/report';
import { acknowledge, anew, receive, reject, replicaOf, submit, takeOver, type Replica } from './replica';

const start = (): Session => sessionOf('a: a1 a2* | b: b1 b2- | c: c1');
const batchOf = (id: string, ...wishes: Wish[]): Batch => ({
  id,
  v: 2,
  commands: wishes.map((wish, n) => ({ ...commandFrom(wish, n), id: `${id}-${n}` })),
});

/** The least that a server does: decide in the order of arrival, once per batch. */
class Server {
  session = start();
  log: Report[] = [];
  #seq = 0;

  take(batch: Batch): boolean {
    if (this.log.some((report) => report.batch === batch.id)) return true;
    const decision = planOf(this.session, batch);
    if (!decision.ok) return false;
    this.log.push({ batch: batch.id, first: this.#seq + 1, events: decision.events, settles: DONE });
    this.#seq += decision.events.length;
    this.session = decision.session;
    return true;
  }
}

describe('a replica', () => {
  it('shows what was done at once, and keeps the same session when the server confirms it', () => {
    const batch = batchOf('x', { type: 'minimise', window: 'a1' });
    const { replica } = submit(replicaOf(start(), 0), batch, 0);
    expect(find(replica.session.windows, 'a1')?.minimised).toBe(true);
    expect(find(replica.confirmed.windows, 'a1')?.minimised).toBe(false);
    const server = new Server();
    server.take(batch);
    const confirmed = receive(replica, server.log[0] as Report);
    expect(confirmed.session).toBe(replica.session);
    expect(confirmed.confirmed).toEqual(replica.session);
    expect(confirmed.pending).toEqual([]);
  });

  it('ignores what it has seen, and waits for what must come before', () => {
    const server = new Server();
    server.take(batchOf('x', { type: 'minimise', window: 'a1' }));
    server.take(batchOf('y', { type: 'minimise', window: 'b1' }));
    const [first, second] = server.log as [Report, Report];
    const replica = replicaOf(start(), 0);
    const waiting = receive(replica, second);
    expect(waiting.session).toBe(replica.session);
    const after = receive(waiting, first);
    expect(after.early).toEqual([]);
    expect(receive(after, first)).toBe(after);
    expect(receive(after, second)).toBe(after);
    expect(after.session).toEqual(server.session);
  });

  it('shows what is stored and not reported yet on top of what is reported before it', () => {
    const server = new Server();
    const mine = batchOf('x', { type: 'minimise', window: 'a1' });
    server.take(batchOf('y', { type: 'minimise', window: 'b1' }));
    server.take(mine);
    const [others, own] = server.log as [Report, Report];
    let replica = acknowledge(submit(replicaOf(start(), 0), mine, 0).replica, 'x');
    replica = receive(replica, others);
    expect(replica.session).toEqual(server.session);
    expect(replica.pending).toMatchObject([{ taken: true, fulfilled: false }]);
    replica = receive(replica, own);
    expect(replica).toMatchObject({ pending: [], confirmed: server.session, session: server.session });
  });

  it('of a session that was loaded anew waits for nothing that is stored, unless it is under way there', () => {
    const wished = ['x', 'y', 'z'].map((id) => batchOf(id, { type: 'minimise', window: 'a1' }));
    let replica = wished.reduce((now, batch) => takeOver(now, batch, 0), replicaOf(start(), 0));
    replica = acknowledge(acknowledge(replica, 'x'), 'y');
    const after = anew(replica, { session: { ...start(), underWay: ['y'] }, seq: 7 });
    expect(after.pending.map(({ batch }) => batch.id)).toEqual(['y', 'z']);
    expect(after.seq).toBe(7);
  });

  it('takes back what the server refused and decides the rest anew', () => {
    const wished = ['a1', 'b1'].map((window, n) => batchOf(`xy`.charAt(n), { type: 'minimise', window }));
    const replica = wished.reduce((now, batch) => submit(now, batch, 0).replica, replicaOf(start(), 0));
    const after = reject(replica, 'x');
    expect(find(after.session.windows, 'a1')?.minimised).toBe(false);
    expect(find(after.session.windows, 'b1')?.minimised).toBe(true);
  });

  it('applies a batch whole or not at all', () => {
    const batch = batchOf('x', { type: 'minimise', window: 'a1' }, { type: 'minimise', window: 'nowhere' });
    const replica = replicaOf(start(), 0);
    const submitted = submit(replica, batch, 0);
    expect(submitted.refusal).toMatchObject({ field: 'window' });
    expect(submitted.replica).toBe(replica);
  });

  it('of two pages reach the server’s state however their work and its messages interleave', () => {
    const page = fc.constantFrom<0 | 1>(0, 1);
    const action = fc.oneof(
      { weight: 3, arbitrary: fc.record({ what: fc.constant('work' as const), page }) },
      { weight: 2, arbitrary: fc.record({ what: fc.constant('send' as const), page }) },
      { weight: 2, arbitrary: fc.record({ what: fc.constant('hear' as const), page }) },
    );
    fc.assert(
      fc.property(fc.array(action, { minLength: 5, maxLength: 60 }), wishSeeds(60, 60), (actions, seeds) => {
        const server = new Server();
        const pages = [replicaOf(start(), 0), replicaOf(start(), 0)] as [Replica, Replica];
        const heard: [number, number] = [0, 0];
        const hear = (at: 0 | 1) => {
          const report = server.log[heard[at]];
          if (!report) return;
          heard[at] += 1;
          pages[at] = receive(pages[at], report);
        };
        const send = (at: 0 | 1) => {
          const batch = pages[at].pending[0]?.batch;
          if (!batch) return;
          if (!server.take(batch)) pages[at] = reject(pages[at], batch.id);
          else while (pages[at].pending.some((pending) => pending.batch.id === batch.id)) hear(at);
        };
        for (const [n, { what, page: at }] of actions.entries()) {
          if (what === 'send') send(at);
          else if (what === 'hear') hear(at);
          else {
            const wish = wishFrom(seeds[n] as WishSeed, pages[at].session);
            if (wish) pages[at] = submit(pages[at], batchOf(`batch-${n}`, wish), 0).replica;
          }
        }
        for (const at of [0, 1] as const) while (pages[at].pending.length > 0) send(at);
        for (const at of [0, 1] as const) while (heard[at] < server.log.length) hear(at);
        expect(pages[0].session).toEqual(server.session);
        expect(pages[1].session).toEqual(server.session);
      }),
      { numRuns: runs(150) },
    );
  });
});
