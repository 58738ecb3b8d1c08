import { randomUUID } from 'node:crypto';
import fc from 'fast-check';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { batchOf, flip } from '../../../../testing/batches';
import { sessionOf } from '../../../../testing/sessions';
import { LateHost, liveSession, type Manner } from '../../../../testing/late-host';
import { MemoryLog } from '../../../../testing/memory-log';
import { wishFrom, wishSeeds } from '../../../../testing/wishes';
import { runs } from '../../../../testing/runs';
import { useDatabase } from '../../../../tests/use-database';
import { COMMANDS, type Batch } from '../../core/commands/commands';
import type { Carrier, CarrierListener } from '../../core/host/carrier';
import { receive, reject, replicaOf, submit, type Replica } from '../../core/replica/replica';
import type { Session } from '../../core/session/session';
import { Unavailable } from '../database/trouble';
import { EventStore } from '../store/event-store';
import { digestOf } from '../store/log-row';
import { LiveSession } from './live-session';

const database = useDatabase();
/** What a host of real windows cannot do: it knows no drafts, and what has ended there is gone. */
const CANNOT: ReadonlySet<string> = new Set([
  'keep-draft',
  'save',
  'answer-draft',
  'reopen',
  'stop-answering',
]);
const ABILITIES = COMMANDS.map(({ type }) => type).filter((type) => !CANNOT.has(type));
const start = (): Session => liveSession(sessionOf('a: a1 a2 | b: b1 b2-'), ABILITIES);
/** More reports than any test writes. */
const ALL = 100_000;

const detaching: (() => void)[] = [];
afterEach(() => {
  for (const detach of detaching.splice(0)) detach();
});

/** A live session, and a late host that has its windows. */
async function connected(manners: readonly Manner[] = ['as-wished']) {
  const store = new EventStore(database.db);
  const id = `s-${randomUUID()}`;
  await store.create(id, start());
  const host = new LateHost(start(), manners);
  const lost = vi.fn();
  const detach = await store.attach(id, host, lost);
  detaching.push(detach);
  const underWay = async () => (await store.load(id))?.session.underWay;
  return { store, id, host, lost, detach, underWay };
}

describe('a live session', () => {
  it('answers a batch once it is stored, asks its host then, and reports what comes of it', async () => {
    const { store, id, host } = await connected();
    const batch = { ...flip('b2'), origin: 'key' as const };
    const answer = await store.append(id, batch);
    expect(answer).toMatchObject({ kind: 'appended', report: { batch: batch.id, first: 1, settles: null } });
    expect(await new EventStore(database.db).after(id, 0, ALL)).toHaveLength(1);
    host.finish();
    await vi.waitFor(async () => expect((await store.after(id, 0, ALL)).at(-1)?.settles).not.toBeNull());
    const reports = await store.after(id, 0, ALL);
    expect(reports.map(({ first, events }) => [first, events.map(({ type }) => type)])).toEqual([
      [1, ['batch-taken']],
      [2, ['windows-restored']],
      [3, ['window-fronted']],
      [4, ['batch-settled']],
    ]);
    expect(new Set(reports.map(({ batch: of, origin }) => `${of} ${origin}`))).toEqual(
      new Set([`${batch.id} key`]),
    );
    expect((await new EventStore(database.db).load(id))?.session.front).toBe('b2');
  });

  it('writes down what happens by itself', async () => {
    const { store, id, host } = await connected();
    host.happen({ type: 'window-fronted', window: 'a2', at: '' });
    await vi.waitFor(async () => expect((await store.load(id))?.session.front).toBe('a2'));
    const [report] = await store.after(id, 0, ALL);
    expect(report).toMatchObject({ batch: null, origin: 'host', settles: null });
  });

  it('records a switch once its host has made it, as its page says that it came about; others are the host’s', async () => {
    const { store, id, host, underWay } = await connected();
    await store.append(id, { ...flip('b1'), origin: 'key', facts: { way: 'place', took: 90, presses: 1 } });
    const recorded = () =>
      database.db.read
        .selectFrom('switch')
        .select(['way', 'took', 'from_window', 'to_window', 'seq'])
        .where('session_id', '=', id)
        .orderBy('seq')
        .execute();
    expect(await recorded()).toEqual([]);
    host.finish();
    await vi.waitFor(async () => expect(await underWay()).toEqual([]));
    host.happen({ type: 'window-fronted', window: 'a2', at: '' });
    await vi.waitFor(async () => expect(await recorded()).toHaveLength(2));
    expect(await recorded()).toEqual([
      { way: 'place', took: 90, from_window: 'a1', to_window: 'b1', seq: 2 },
      { way: 'host', took: null, from_window: 'b1', to_window: 'a2', seq: 4 },
    ]);
  });

  it('is over with what was under way when the server stopped', async () => {
    const { store, id, detach } = await connected(['never']);
    const batch = flip('b1');
    await store.append(id, batch);
    detach();
    await expect(store.append(id, flip('a2'))).rejects.toThrow(Unavailable);
    const next = new EventStore(database.db);
    await expect(next.append(id, flip('a2'))).rejects.toThrow(Unavailable);
    detaching.push(await next.attach(id, new LateHost(start(), ['as-wished']), vi.fn()));
    await vi.waitFor(async () => expect((await next.load(id))?.session.underWay).toEqual([]));
    expect((await next.after(id, 0, ALL)).at(-1)).toMatchObject({
      batch: batch.id,
      settles: { kind: 'no-answer' },
    });
    expect(await next.append(id, batch)).toMatchObject({ kind: 'known' });
  });

  it('is connected once, and only if it is live', async () => {
    const { store, id } = await connected();
    await expect(store.attach(id, new LateHost(start(), []), vi.fn())).rejects.toThrow(/already/);
    const simulated = `s-${randomUUID()}`;
    await store.create(simulated, sessionOf('a: a1'));
    await expect(store.attach(simulated, new LateHost(start(), []), vi.fn())).rejects.toThrow(/no live/);
  });

  it('is its new host’s once it is connected again, until that is lost', async () => {
    const { store, id, detach } = await connected();
    const again = async () => {
      const [host, lost] = [new LateHost(start(), ['as-wished']), vi.fn()];
      detaching.push(await store.attach(id, host, lost));
      return { host, lost };
    };
    detach();
    const { host, lost } = await again();
    detach();
    await store.append(id, flip('b1'));
    expect(host.jobs).toHaveLength(1);
    await new EventStore(database.db).remove(id);
    host.finish();
    await vi.waitFor(() => expect(lost.mock.calls).toEqual([[new Error('The session is gone.')]]));
    await store.create(id, start());
    expect((await again()).host.jobs).toEqual([]);
  });

  it('of two pages ends as their host has it, whatever that does', async () => {
    const manner = fc.constantFrom<Manner>('as-wished', 'half', 'unseen', 'refuses');
    await fc.assert(
      fc.asyncProperty(
        wishSeeds(5, 15),
        fc.array(manner, { minLength: 1, maxLength: 5 }),
        fc.infiniteStream(fc.nat(5)),
        async (seeds, manners, lots) => {
          const { store, id, host, underWay } = await connected(manners);
          const pages: [Replica, Replica] = [replicaOf(start(), 0), replicaOf(start(), 0)];
          const catchUp = async (at: 0 | 1) => {
            for (const report of await store.after(id, pages[at].seq, ALL))
              pages[at] = receive(pages[at], report);
          };
          for (const seed of seeds) {
            const at = seed.flag ? 1 : 0;
            const wish = wishFrom(seed, pages[at].session);
            if (!wish) continue;
            const batch = batchOf(wish);
            const { replica } = submit(pages[at], batch, 0);
            if (replica === pages[at]) continue;
            pages[at] = replica;
            const answer = await store.append(id, batch);
            if (answer.kind === 'appended') pages[at] = receive(pages[at], answer.report);
            else pages[at] = reject(pages[at], batch.id);
            const lot = lots.next().value ?? 0;
            if (lot > 2) await catchUp(at);
            host.goOn(lot);
          }
          host.finish();
          await vi.waitFor(async () => expect(await underWay()).toEqual([]));
          const stored = await new EventStore(database.db).load(id);
          for (const at of [0, 1] as const) {
            await catchUp(at);
            expect(pages[at].pending).toEqual([]);
            expect(pages[at].session).toEqual(stored?.session);
          }
          expect(stored?.session.windows).toEqual(host.world.windows);
        },
      ),
      { numRuns: runs(15) },
    );
  });
});

/** The same on a log in memory, with a host that does what the test says. */
describe('what a live session writes', () => {
  function live(session = start()) {
    const log = new MemoryLog(session);
    const asked: string[] = [];
    let tell: CarrierListener | null = null;
    const closed = vi.fn();
    const carrier: Carrier = {
      open: (listener) => ((tell = listener), closed),
      carryOut: (batch) => void asked.push(batch),
    };
    const lost = vi.fn();
    const of = new LiveSession('s', { session, seq: 0 }, log, carrier, lost);
    const observed = (...windows: string[]) =>
      tell?.observed(
        windows.map((window) => ({ type: 'window-fronted', window, at: '' })),
        null,
      );
    const settled = (batch: Batch) => tell?.settled(batch.id, { kind: 'done' });
    const append = (batch: Batch) => of.append(batch, digestOf(batch));
    const written = async () => {
      for (let n = 0; n < 5; n += 1) await new Promise((resolve) => setImmediate(resolve));
    };
    return { log, of, asked, lost, closed, observed, settled, append, written };
  }
  const patience = () => void vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
  afterEach(() => void vi.useRealTimers());

  it('goes together if it came while something was being stored, in its order', async () => {
    const { log, observed, written } = live();
    for (const window of ['a2', 'b1', 'a1']) observed(window);
    observed('b1', 'a2');
    await written();
    expect(log.statements).toEqual([1, 3]);
    expect(
      log.told.map(({ before, after, reports }) => [before, after, reports.map(({ first }) => first)]),
    ).toEqual([
      [0, 1, [1]],
      [1, 5, [2, 3, 4]],
    ]);
    expect(log.rows.map(({ batch, cause, origin, digest }) => [batch, cause, origin, digest])).toEqual(
      [1, 2, 3, 4].map(() => [null, null, 'host', '']),
    );
  });

  it('is one batch however often that comes, and one at a time looks whether it is there', async () => {
    const { log, append, asked } = live();
    const batch = batchOf({ type: 'close', window: 'a2' });
    vi.spyOn(log, 'known').mockRejectedValueOnce(new Error('no'));
    const answers = await Promise.allSettled([1, 2, 3].map(() => append(batch)));
    expect(answers.map(({ status }) => status)).toEqual(['rejected', 'fulfilled', 'fulfilled']);
    expect([asked, log.rows.length]).toEqual([[batch.id], 1]);
    expect(await append({ ...flip('b1'), id: batch.id })).toEqual({ kind: 'id-reused' });
  });

  it('says of a batch that comes again how it stands', async () => {
    const { append, settled, written } = live();
    const batch = flip('b1');
    const answer = { kind: 'known', report: { batch: batch.id, settles: null } };
    await append(batch);
    expect(await append(batch)).toMatchObject(answer);
    settled(batch);
    await written();
    expect(await append(batch)).toMatchObject({ ...answer, report: { settles: { kind: 'done' } } });
  });

  it('is nothing for what is impossible or leads to nothing, and its host is asked for neither', async () => {
    const { append, log, asked } = live();
    const impossible = batchOf({ type: 'close', window: 'nowhere' });
    expect(await append(impossible)).toMatchObject({
      kind: 'refused',
      index: 0,
      refusal: { field: 'window' },
    });
    const nothing = { first: 1, events: [], settles: { kind: 'done' } };
    expect(await append(flip('a1'))).toMatchObject({ kind: 'appended', report: nothing });
    expect([log.statements, asked]).toEqual([[], []]);
  });

  it('is all there is to what is ours alone: its host is not asked, nor waited for', async () => {
    patience();
    const { append, asked } = live();
    const ours = batchOf({ type: 'learn-choice', letters: 'be', choice: 'window:b1' });
    expect(await append(ours)).toMatchObject({ kind: 'appended', report: { settles: { kind: 'done' } } });
    expect([asked, vi.getTimerCount()]).toEqual([[], 0]);
  });

  it.each([
    ['not at all', false, [null, 'no-answer']],
    ['before that', true, [null, 'done']],
  ])('is that a host did not answer within a second, if it answers %s', async (_, answers, settlements) => {
    patience();
    const { append, settled, log, written } = live();
    const batch = flip('b1');
    await append(batch);
    vi.advanceTimersByTime(999);
    await written();
    expect(log.told).toHaveLength(1);
    if (answers) settled(batch);
    vi.advanceTimersByTime(1);
    await written();
    expect(log.told.flatMap(({ reports }) => reports.map(({ settles }) => settles?.kind ?? null))).toEqual(
      settlements,
    );
  });

  it('ends when it is closed, whatever its host still tells', async () => {
    patience();
    const { of, append, asked, observed, settled, log, closed, lost, written } = live();
    const known = flip('b1');
    await append(known);
    const taking = append(flip('a2'));
    await Promise.resolve();
    await Promise.resolve();
    of.close();
    of.close();
    // It was on its way to the log, but its host is not asked any more.
    expect(await taking).toMatchObject({ kind: 'appended' });
    observed('a1');
    settled(known);
    await written();
    expect([asked, log.rows.length, vi.getTimerCount()]).toEqual([[known.id], 2, 0]);
    expect([closed, lost].map(({ mock }) => mock.calls.length)).toEqual([1, 0]);
    const gone = new Unavailable('What has the windows of this session was lost.');
    await expect(append(flip('a1'))).rejects.toEqual(gone);
    expect(await append(known)).toMatchObject({ kind: 'known' });
  });

  it('is lost with all that waits for it where it cannot be stored', async () => {
    const { append, log, lost, observed, closed, written } = live();
    const failure = new Error('The disk is full.');
    log.troubles.push(failure);
    observed('a2');
    const outcomes = await Promise.allSettled([flip('b1'), flip('a1')].map(append));
    await written();
    for (const outcome of outcomes)
      expect(outcome).toMatchObject({
        reason: { message: 'What happened could not be stored.', cause: failure },
      });
    expect([lost.mock.calls, closed.mock.calls.length, log.forgotten]).toEqual([[[failure]], 1, 1]);
    expect(log.statements).toEqual([1]);
  });

  it('is lost too where its session is gone', async () => {
    const { log, lost, observed, written } = live();
    log.remove();
    observed('a2');
    await written();
    expect(lost.mock.calls).toEqual([[new Error('The session is gone.')]]);
  });
});
