import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { text } from 'node:stream/consumers';
import { argon2id, hash } from 'argon2';
import { afterEach, describe, expect, it, onTestFinished, vi } from 'vitest';
import { flip } from '../../../../testing/batches';
import { MemoryFollowedLog, reportOf } from '../../../../testing/followed-log';
import { sessionOf } from '../../../../testing/sessions';
import { StreamReader } from '../../../../testing/stream-reader';
import { useDatabase } from '../../../../tests/use-database';
import { EventStore } from '../store/event-store';
import { hashOfPassphrase, isPassphrase } from './passphrase';

const database = useDatabase();
afterEach(() => void vi.useRealTimers());

const PASSPHRASE = 'bell tide timber quay';
const wrong = { type: 'wrong-passphrase', status: 403 };

async function stored() {
  const store = new EventStore(database.db);
  const id = `s-${randomUUID()}`;
  await store.create(id, sessionOf('a: a1 | b: b1'));
  return { store, id, locks: store.locks };
}

async function locked() {
  const all = await stored();
  await all.locks.lock(all.id, PASSPHRASE);
  return all;
}

describe('what is kept of a passphrase', () => {
  // RFC 9106, section 5.3: the test vector of Argon2id.
  it('is made by the package that gives the tag of the standard’s own example', async () => {
    const filled = (bytes: number, value: number) => Buffer.alloc(bytes, value);
    const tag = await hash(filled(32, 1), {
      type: argon2id,
      salt: filled(16, 2),
      secret: filled(8, 3),
      associatedData: filled(12, 4),
      timeCost: 3,
      memoryCost: 32,
      parallelism: 4,
      hashLength: 32,
      raw: true,
    });
    expect(tag.toString('hex')).toBe('0d640df58d78766c08c037a34a8b53c9d01ef0452d75b65eb52520e96b01e659');
  });

  // RFC 9106, section 4: the second recommended option, a salt of 128 bits and a tag of 256.
  it('costs what the standard recommends, with a salt of its own each time', async () => {
    const kept = await Promise.all([hashOfPassphrase(PASSPHRASE), hashOfPassphrase(PASSPHRASE)]);
    for (const one of kept)
      expect(one).toMatch(/^\$argon2id\$v=19\$m=65536,t=3,p=4\$[\w+/]{22}\$[\w+/]{43}$/);
    expect(kept[0]).not.toBe(kept[1]);
  });

  // RFC 8265, section 4.2 (OpaqueString): other spaces become spaces, then normalisation form C; case counts.
  it('is of the same letters, however they were composed', async () => {
    const kept = await hashOfPassphrase('bäle an der Küste');
    expect(await isPassphrase(kept, 'ba\u0308le\u00a0an der Ku\u0308ste')).toBe(true);
    expect(await isPassphrase(kept, 'Bäle an der Küste')).toBe(false);
  });
});

describe('a lock', () => {
  it('takes its passphrase the first time, and none later', async () => {
    const { locks, id } = await stored();
    await expect(locks.lock(id, null)).rejects.toMatchObject({ type: 'passphrase-needed', status: 409 });
    expect(await locks.stateOf(id)).toEqual({ locked: false, passphrase: false });
    await locks.lock(id, PASSPHRASE);
    expect([locks.has(id), await locks.stateOf(id)]).toEqual([true, { locked: true, passphrase: true }]);
    const rows = await database.db.read.selectFrom('lock').selectAll().execute();
    expect(JSON.stringify(rows)).not.toContain(PASSPHRASE);
    await expect(locks.lock(id, 'another passphrase')).rejects.toMatchObject({ type: 'passphrase-there' });
    await locks.lock(id, null);
    await locks.unlock(id, PASSPHRASE);
    expect(locks.has(id)).toBe(false);
    await locks.lock(id, null);
    expect(await locks.isLocked(id)).toBe(true);
  });

  it('of two who set a passphrase at once takes one', async () => {
    const { locks, id } = await stored();
    const both = await Promise.allSettled(
      ['first of them', 'second of them'].map((one) => locks.lock(id, one)),
    );
    expect(both.map(({ status }) => status).toSorted()).toEqual(['fulfilled', 'rejected']);
    const won = both[0]?.status === 'fulfilled' ? 'first of them' : 'second of them';
    await locks.unlock(id, won);
    expect(locks.has(id)).toBe(false);
  });

  it('opens for the passphrase alone, and another one can be set by who knows it', async () => {
    const { locks, id } = await locked();
    await expect(locks.unlock(id, `${PASSPHRASE}s`)).rejects.toMatchObject({
      ...wrong,
      headers: { 'retry-after': '0' },
    });
    await expect(locks.change(id, 'a guess', 'another one')).rejects.toMatchObject(wrong);
    expect(locks.has(id)).toBe(true);
    await locks.change(id, PASSPHRASE, 'another one');
    expect(locks.has(id)).toBe(true);
    await expect(locks.unlock(id, PASSPHRASE)).rejects.toMatchObject(wrong);
    await locks.unlock(id, 'another one');
    expect(locks.has(id)).toBe(false);
    await expect(locks.change((await stored()).id, PASSPHRASE, 'another one')).rejects.toMatchObject({
      type: 'passphrase-needed',
    });
  });

  it('looks at three attempts at once and no more, at however many servers; the right one has to wait, too', async () => {
    const { locks, id } = await locked();
    const there = new EventStore(database.db).locks;
    // A machine that is busy must not wait a second by itself.
    vi.useFakeTimers({ toFake: ['Date'] });
    const attempts = Array.from({ length: 20 }, (_, n) => (n % 2 ? locks : there).unlock(id, `guess ${n}`));
    const answers = await Promise.allSettled(attempts);
    const types = answers.map((answer) => (answer.status === 'rejected' ? answer.reason.type : 'opened'));
    expect(types.filter((type) => type === 'wrong-passphrase')).toHaveLength(3);
    expect(types.filter((type) => type === 'slow-down')).toHaveLength(17);
    const waits = answers.map((one) => (one.status === 'rejected' ? one.reason.headers['retry-after'] : ''));
    expect(waits.filter((wait) => wait === '0')).toHaveLength(2);
    await expect(locks.unlock(id, PASSPHRASE)).rejects.toMatchObject({
      type: 'slow-down',
      headers: { 'retry-after': '1' },
    });
    vi.setSystemTime(Date.now() + 1_000);
    await locks.unlock(id, PASSPHRASE);
    expect(locks.has(id)).toBe(false);
    // What was missed before is forgotten.
    for (let n = 0; n < 2; n += 1) await expect(locks.unlock(id, 'guess')).rejects.toMatchObject(wrong);
    await locks.unlock(id, PASSPHRASE);
  });

  it('is taken away by who owns the machine, and goes with its session', async () => {
    const { store, locks, id } = await locked();
    // Another process, of which this server hears nothing.
    const silent = { locked: () => undefined, written: () => undefined };
    const { Locks } = await import('./locks');
    expect(await new Locks(database.db, silent).remove(id)).toBe(true);
    expect(locks.has(id)).toBe(true);
    expect(await locks.isLocked(id)).toBe(false);
    expect(await locks.remove(id)).toBe(false);
    await locks.lock(id, PASSPHRASE);
    await store.remove(id);
    await store.create(id, sessionOf('a: a1'));
    expect(await locks.isLocked(id)).toBe(false);
  });

  it('of a locking and an opening at once keeps in mind which the database has', async () => {
    const { locks, id } = await locked();
    for (let n = 0; n < 10; n += 1) {
      await Promise.all([locks.unlock(id, PASSPHRASE), locks.lock(id, null), locks.look(id)]);
      expect(locks.has(id)).toBe((await locks.stateOf(id)).locked);
    }
  });
});

describe('a locked session tells nothing', () => {
  it('its streams end with that, the others go on', async () => {
    const { store, locks, id } = await stored();
    const other = `s-${randomUUID()}`;
    await store.create(other, sessionOf('a: a1 | b: b1'));
    const followed = [id, other].map((session) => ({ session, after: 0 }));
    const reader = new StreamReader(store, followed, { named: true });
    await store.append(id, flip('b1'));
    await reader.until(`event: ${id}\n`);
    await locks.lock(id, PASSPHRASE);
    await reader.until(`event: locked\ndata: {"session":"${id}"}`);
    const before = reader.heard;
    // Something that has the windows may still report.
    await store.append(id, flip('a1'));
    await store.append(other, flip('b1'));
    await reader.until(`event: ${other}\n`);
    expect(reader.heard.slice(before.length)).not.toContain(`event: ${id}`);
    await reader.close();
  });

  it('whoever follows it anew hears that alone', async () => {
    const log = new MemoryFollowedLog('s', [reportOf(1, 2)]);
    log.locked = true;
    const reader = new StreamReader(log, [{ session: 's', after: 0 }]);
    expect(await reader.until('event: locked')).not.toContain('id:');
    expect(log.reads).toEqual([]);
  });

  it('at another server as soon as it is told, and at one that starts', async () => {
    const { store, locks, id } = await stored();
    const there = new EventStore(database.db);
    await Promise.all([store.hearOthers(), there.hearOthers()]);
    onTestFinished(async () => {
      await Promise.all([store.close(), there.close()]);
    });
    await expect.poll(() => store.others.any && there.others.any).toBe(true);
    const reader = new StreamReader(there, [{ session: id, after: 0 }]);
    await locks.lock(id, PASSPHRASE);
    await reader.until('event: locked');
    expect(there.isLocked(id)).toBe(true);
    const third = new EventStore(database.db);
    await third.hearOthers();
    onTestFinished(() => third.close());
    expect(third.isLocked(id)).toBe(true);
    await there.locks.unlock(id, PASSPHRASE);
    await expect.poll(() => store.isLocked(id)).toBe(false);
  });
});

describe('npm run unlock', () => {
  /** What came of it: the status, and what it said. */
  async function unlock(...args: string[]) {
    const { PATH = '' } = process.env;
    const child = spawn('node_modules/.bin/tsx', ['scripts/unlock.ts', ...args], {
      env: { PATH, DATABASE_URL: database.url },
    });
    const said = Promise.all([text(child.stdout), text(child.stderr)]);
    const [status] = (await once(child, 'close')) as [number];
    return { status, said: (await said).join('') };
  }

  it('opens a session for who owns the machine, and takes its passphrase away', async () => {
    const { locks, id } = await locked();
    const other = await locked();
    expect(await unlock(id)).toMatchObject({ status: 0, said: expect.stringContaining(`'${id}' is open`) });
    expect(await locks.stateOf(id)).toEqual({ locked: false, passphrase: false });
    expect(await other.locks.isLocked(other.id)).toBe(true);
    expect(await unlock(id)).toMatchObject({ status: 1, said: expect.stringContaining('no passphrase') });
    expect(await unlock()).toMatchObject({ status: 2, said: expect.stringContaining('Say which session') });
  });
});
