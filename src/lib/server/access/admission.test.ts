import type { Cookies } from '@sveltejs/kit';
import { describe, expect, it, vi } from 'vitest';
import { useDatabase } from '../../../../tests/use-database';
import { Hosts } from '../http/hosts';
import { AccessKeys } from './access-keys';
import { Admission } from './admission';

const database = useDatabase();

/** A browser's cookies, and how the last one was set. */
function jar() {
  const kept = new Map<string, string>();
  const set = vi.fn((name: string, value: string, _options: object) => void kept.set(name, value));
  return { cookies: { get: (name: string) => kept.get(name), set } as unknown as Cookies, set };
}

const atOnce = (hosts: Hosts, path: string, host: string, cookies = jar().cookies) =>
  new Admission(new AccessKeys(database.db), hosts).check({
    path,
    sessions: ['harbour'],
    host,
    cookies,
  });
const toOthers = () => new Hosts('0.0.0.0', '');
const needsKey = expect.objectContaining({ type: 'key-needed', status: 401 });

describe('the access key', () => {
  it('is made once, lets in who has it, and is revoked by the next one', async () => {
    const keys = new AccessKeys(database.db);
    const first = await keys.makeFirst();
    expect(first).toMatch(/^[\w-]{43}$/);
    expect(await new AccessKeys(database.db).makeFirst()).toBeNull();
    const stored = await database.db.read.selectFrom('access_key').selectAll().execute();
    expect(JSON.stringify(stored)).not.toContain(first);
    expect(await keys.accepts(first)).toBe(true);
    for (const wrong of [null, undefined, '', `${first}x`, first?.slice(1)])
      expect(await keys.accepts(wrong)).toBe(false);
    const next = await keys.renew();
    expect(await keys.accepts(first)).toBe(false);
    expect(await keys.accepts(next)).toBe(true);
  });

  it('is not read for every request, but soon enough', async () => {
    const keys = new AccessKeys(database.db);
    const before = await keys.renew();
    const now = vi.spyOn(performance, 'now').mockReturnValue(1_000);
    expect(await keys.accepts(before)).toBe(true);
    const after = await new AccessKeys(database.db).renew();
    now.mockReturnValue(5_999);
    expect(await keys.accepts(after)).toBe(false);
    now.mockReturnValue(6_000);
    expect(await keys.accepts(after)).toBe(true);
    expect(await keys.accepts(before)).toBe(false);
    now.mockRestore();
  });
});

describe('who is let in', () => {
  it('on loopback under its names: everybody; under any other, or from elsewhere: who has the key', async () => {
    const here = new Hosts('127.0.0.1', 'office.example');
    await atOnce(here, '/', 'localhost:4870');
    await expect(atOnce(here, '/', 'office.example')).rejects.toEqual(needsKey);
    await expect(atOnce(toOthers(), '/', 'localhost:4870')).rejects.toEqual(needsKey);
  });

  it('without a key: to where it can be entered, and nowhere else', async () => {
    await atOnce(toOthers(), '/access', 'office');
    await atOnce(toOthers(), '/api/access', 'office');
    await expect(atOnce(toOthers(), '/access/more', 'office')).rejects.toEqual(needsKey);
  });

  it('with the key: by a cookie that scripts and other sites cannot use, for a year', async () => {
    const keys = new AccessKeys(database.db);
    const key = await keys.renew();
    const { cookies, set } = jar();
    await new Admission(keys, toOthers()).enter(key, 'peer', cookies, true);
    const options = { path: '/', httpOnly: true, sameSite: 'lax', secure: true, maxAge: 31_536_000 };
    expect(set).toHaveBeenCalledExactlyOnceWith('key-fold-access', key, options);
    await atOnce(toOthers(), '/', 'office', cookies);
  });

  it('with wrong keys: not, and after three of them the right one has to wait too, whole seconds', async () => {
    const keys = new AccessKeys(database.db);
    const key = await keys.renew();
    const admission = new Admission(keys, toOthers());
    const { cookies, set } = jar();
    const now = vi.spyOn(performance, 'now').mockReturnValue(100_000);
    const enter = (one: string, peer = 'peer') => admission.enter(one, peer, cookies, false);
    const wrong = { type: 'wrong-key', errors: [{ pointer: '#/key', detail: 'is wrong' }] };
    for (let n = 0; n < 3; n += 1) await expect(enter('wrong')).rejects.toMatchObject(wrong);
    now.mockReturnValue(100_100);
    const wait = {
      type: 'slow-down',
      detail: 'Wait 1 s before the next attempt.',
      headers: { 'retry-after': '1' },
    };
    await expect(enter(key)).rejects.toMatchObject(wait);
    expect(set).not.toHaveBeenCalled();
    await enter(key, 'another peer');
    now.mockReturnValue(101_000);
    await enter(key);
    await expect(enter('wrong')).rejects.toMatchObject(wrong);
    now.mockRestore();
  });
});
