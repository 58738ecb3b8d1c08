import { randomUUID } from 'node:crypto';
import fc from 'fast-check';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { batchOf, flip } from '../../../../testing/batches';
import { sessionOf } from '../../../../testing/sessions';
import { LateHost, liveSession, type Manner } from '../../../../testing/late-host';
import { wishFrom, wishSeeds } from '../../../../testing/wishes';
import { runs } from '../../../../testing/runs';
import { useDatabase } from '../../../../tests/use-database';
import { COMMANDS } from '../../core/commands/commands';
import { receive, reject, replicaOf, submit, type Replica } from '../../core/replica/replica';
import type { Session } from '../../core/session/session';
import { Unavailable } from '../database/trouble';
import { EventStore } from '../store/event-store';

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

  it('takes a batch once, however often and whenever it comes', async () => {
    const { store, id, host, underWay } = await connected();
    const batch = flip('b1');
    const answers = await Promise.all([1, 2, 3].map(() => store.append(id, batch)));
    expect(answers.map(({ kind }) => kind).sort()).toEqual(['appended', 'known', 'known']);
    expect(host.jobs).toHaveLength(1);
    host.finish();
    await vi.waitFor(async () => expect(await underWay()).toEqual([]));
    // Whoever asks so late has missed how it ended.
    expect(await store.append(id, batch)).toMatchObject({ report: { first: 1, settles: { kind: 'done' } } });
    expect(await store.append(id, { ...flip('a2'), id: batch.id })).toEqual({ kind: 'id-reused' });
  });

  it('takes it once too where the first of several could not be taken', async () => {
    const { store, id, host, lost } = await connected();
    // Only the host can tell what comes of it, so asking twice would be asking for two things.
    const batch = batchOf({ type: 'close', window: 'a2' });
    // With connections open, whoever looks whether it is known does so at the same time as the others.
    await Promise.all([1, 2, 3, 4].map(() => store.load(id)));
    vi.spyOn(database.db.read, 'executeQuery').mockRejectedValueOnce(new Error('The connection broke.'));
    const answers = await Promise.allSettled([1, 2, 3].map(() => store.append(id, batch)));
    expect(answers.map(({ status }) => status)).toEqual(['rejected', 'fulfilled', 'fulfilled']);
    expect(host.jobs).toHaveLength(1);
    expect(lost).not.toHaveBeenCalled();
  });

  it('changes nothing for what is impossible, or leads to nothing', async () => {
    const { store, id, host } = await connected();
    expect(await store.append(id, batchOf({ type: 'close', window: 'nowhere' }))).toMatchObject({
      kind: 'refused',
      index: 0,
    });
    const nothing = await store.append(id, flip('a1'));
    expect(nothing).toMatchObject({
      kind: 'appended',
      report: { first: 1, events: [], settles: { kind: 'done' } },
    });
    expect(await store.after(id, 0, ALL)).toEqual([]);
    expect(host.jobs).toEqual([]);
  });

  it('stops waiting for what is not answered', async () => {
    const { store, id, underWay } = await connected(['never']);
    await store.append(id, flip('b1'));
    expect(await underWay()).toHaveLength(1);
    await vi.waitFor(async () => expect(await underWay()).toEqual([]), 5_000);
    expect((await store.after(id, 0, ALL)).at(-1)?.settles).toEqual({ kind: 'no-answer' });
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

  it('is lost, and says so, when what happens cannot be stored', async () => {
    const { store, id, host, lost } = await connected();
    await store.append(id, flip('b1'));
    // Somebody else writes where it would.
    await database.db.write
      .insertInto('log')
      .values({ session_id: id, first_seq: 2, event_count: 1, id: null, digest: '', events: '[]' })
      .execute();
    host.goOn(0);
    await vi.waitFor(() => expect(lost).toHaveBeenCalledOnce());
    await expect(store.append(id, flip('b1'))).rejects.toThrow(Unavailable);
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
