/** How the session of a live host is planned and written down, where no host is needed to see it. */
import { describe, expect, it } from 'vitest';
import { batchOf, flip } from '../../../../testing/batches';
import { liveSession } from '../../../../testing/late-host';
import { later, sessionOf, withApplication } from '../../../../testing/sessions';
import type { Wish } from '../commands/commands';
import { replicaOf, submit, takeOver, unconfirmed } from '../replica/replica';
import type { Session } from '../session/session';
import { planOf } from './plan';
import { SessionLog } from './session-log';

const start = (): Session => liveSession(sessionOf('a: a1 a2 | b: b1-'));
const quit: Wish = { type: 'quit', application: 'a' };
const night: Wish = { type: 'change-settings', settings: { ...start().settings, theme: 'night' } };

describe('the plan of a batch', () => {
  it('has orders for the host, and facts of our own in their order among what is foreseen', () => {
    const plan = planOf(start(), batchOf({ type: 'minimise', window: 'a1' }));
    expect(plan).toMatchObject({
      orders: [{ make: { type: 'windows-minimised' } }, { make: { type: 'window-fronted', window: 'a2' } }],
      events: [{ type: 'windows-minimised' }, { type: 'window-fronted' }, { type: 'put-away' }],
    });
  });

  it('asks where only the host can tell, and does not foresee that', () => {
    const session = start();
    const batch = batchOf(quit);
    expect(planOf(session, batch)).toEqual({
      ok: true,
      session,
      events: [],
      notices: [],
      orders: [{ ask: batch.commands[0] }],
    });
    const windowless = liveSession(sessionOf('a: a1 | b: b1 | c:'));
    const switchTo = (application: string) =>
      planOf(windowless, batchOf({ type: 'switch-to-application', application }));
    expect(switchTo('b')).toMatchObject({ orders: [{ make: { type: 'window-fronted' } }] });
    expect(switchTo('c')).toMatchObject({ orders: [{ ask: { application: 'c' } }], events: [] });
  });

  it('asks for nothing that would lead to nothing', () => {
    const stopped = withApplication(start(), 'a', { answering: false });
    expect(planOf(stopped, batchOf(quit))).toMatchObject({
      orders: [],
      notices: [{ type: 'does-not-answer', application: 'a' }],
    });
  });

  it('leaves out what the host cannot do, but for what concerns no host', () => {
    const poor = liveSession(start(), ['minimise']);
    expect(planOf(poor, batchOf(quit, { type: 'minimise', window: 'a1' }, night))).toMatchObject({
      notices: [{ type: 'host-cannot' }],
      events: [{ type: 'windows-minimised' }, {}, { type: 'put-away' }, { type: 'settings-changed' }],
    });
  });

  it('has no orders for a simulated host', () => {
    expect(planOf(sessionOf('a: a1'), batchOf(quit))).toMatchObject({
      orders: [],
      events: [{ type: 'application-ended' }],
    });
  });
});

describe('the log of a live session', () => {
  it('writes down what concerns no host at once, and nothing for nothing', () => {
    const log = new SessionLog(start(), 7);
    expect(log.take(flip('a1'), later(1))).toEqual({ ok: true, reports: [], orders: [] });
    const settings = batchOf(night);
    expect(log.take(settings, later(1))).toEqual({
      ok: true,
      orders: [],
      reports: [
        {
          batch: settings.id,
          first: 8,
          events: [expect.objectContaining({ type: 'settings-changed' })],
          settles: { kind: 'done' },
        },
      ],
    });
    expect([log.seq, log.session.underWay]).toEqual([8, []]);
  });

  it('stamps what comes forward: as of when it was wished, or now', () => {
    const log = new SessionLog(start(), 0);
    const batch = { ...flip('b1'), origin: 'search' as const };
    log.take(batch, later(50));
    const restored = { type: 'windows-restored', windows: ['b1'] } as const;
    const [caused] = log.observe(
      [restored, { type: 'window-fronted', window: 'b1', at: '' }],
      batch.id,
      later(60),
    );
    expect(caused).toEqual({
      batch: batch.id,
      origin: 'search',
      first: 2,
      events: [restored, { type: 'window-fronted', window: 'b1', at: later(50) }],
      settles: null,
    });
    const [alone] = log.observe([{ type: 'window-fronted', window: 'a2', at: '' }], null, later(70));
    expect(alone).toMatchObject({ batch: null, origin: 'host', events: [{ at: later(70) }] });
    expect(log.observe([], null, later(75))).toEqual([]);
    expect(log.observe([restored], 'nobody knows it', later(80))).toMatchObject([
      { batch: null, origin: 'host' },
    ]);
  });

  it('says of a batch that was refused that it is over, and nothing else', () => {
    const log = new SessionLog(start(), 0);
    const batch = flip('b1');
    log.take(batch, later(1));
    const settlement = { kind: 'refused', detail: 'no' } as const;
    expect(log.settle(batch.id, settlement)).toEqual([
      {
        batch: batch.id,
        first: 2,
        events: [{ type: 'batch-settled', batch: batch.id, settlement }],
        settles: settlement,
      },
    ]);
    expect(log.settle(batch.id, settlement)).toEqual([]);
  });

  it('counts a use that was not seen once the batch is done', () => {
    const log = new SessionLog(start(), 0);
    const batch = flip('b1');
    log.take(batch, later(1));
    expect(log.settle(batch.id, { kind: 'done' })).toMatchObject([
      { events: [{ type: 'window-used', window: 'b1', at: later(1) }, { type: 'batch-settled' }] },
    ]);
  });

  it('changes nothing for what makes no sense', () => {
    const log = new SessionLog(start(), 3);
    const { session } = log;
    expect(() => log.observe([{ type: 'windows-minimised', windows: ['x'] }], null, later(1))).toThrow(
      RangeError,
    );
    expect(log.take(batchOf({ type: 'close', window: 'x' }), later(1))).toMatchObject({
      ok: false,
      index: 0,
    });
    expect([log.session, log.seq]).toEqual([session, 3]);
  });

  it('is over with what was under way before it began, and with nothing else', () => {
    const log = new SessionLog({ ...start(), underWay: ['x', 'y'] }, 0);
    const batch = flip('b1');
    log.take(batch, later(1));
    const reports = log.settleAbandoned();
    expect(reports.map(({ batch: of, first, settles }) => [of, first, settles])).toEqual([
      ['x', 2, { kind: 'no-answer' }],
      ['y', 3, { kind: 'no-answer' }],
    ]);
    expect(log.session.underWay).toEqual([batch.id]);
    expect(log.settleAbandoned()).toEqual([]);
  });
});

describe('a page before a live host', () => {
  it('knows what it asked for, and since when it waits', () => {
    const { replica } = submit(replicaOf(start(), 0), batchOf(quit), 1_000);
    expect(replica.pending).toMatchObject([
      { asked: true, taken: false, fulfilled: false, since: 1_000, events: [] },
    ]);
    expect(unconfirmed(replica, 1_299)).toEqual([]);
    expect(unconfirmed(replica, 1_300)).toHaveLength(1);
    expect(submit(replicaOf(start(), 0), flip('b1'), 0).replica.pending).toMatchObject([{ asked: false }]);
    const both = batchOf(night, quit);
    expect(submit(replicaOf(start(), 0), both, 0).replica.pending).toMatchObject([{ asked: true }]);
  });

  it('takes over what an earlier one left, though it makes no sense any more', () => {
    const nothing = takeOver(replicaOf(start(), 0), batchOf({ type: 'close', window: 'x' }), 5);
    expect(nothing.pending).toMatchObject([{ events: [], since: 5, taken: false }]);
    expect(takeOver(replicaOf(start(), 0), flip('b1'), 5).session.front).toBe('b1');
  });
});
