import { afterEach, expect, it, vi } from 'vitest';
import { testDatabase, type TestDatabase } from '../../../tests/database';
import { DEMO_ID } from '../demo/demo-id';
import { admission, eventStore, importer, startRuntime } from './runtime';

const PAGES = 'http://127.0.0.1:4871';
let database: TestDatabase | null = null;
const started = async (listening: string, hosts: string, secrets: string | null = null) => {
  database ??= await testDatabase();
  const said = vi.spyOn(console, 'log').mockReturnValue();
  await startRuntime({
    databaseUrl: database.url,
    listening,
    port: '4870',
    hosts,
    demoPages: PAGES,
    workers: 'workers',
    displaySecrets: secrets,
  });
  const lines = said.mock.calls.join('\n');
  said.mockRestore();
  return lines;
};
const ended = async () => {
  // What the start left to be done meanwhile is done by then.
  await eventStore().prune();
  await eventStore().close();
  await eventStore().database.end();
};
afterEach(async () => {
  await database?.drop();
  database = null;
});

it('the server is not there before it has started, and does not start without a database', async () => {
  for (const part of [eventStore, admission, importer])
    expect(part).toThrow('The server has not started yet.');
  await expect(
    startRuntime({
      databaseUrl: '',
      listening: '',
      port: '',
      hosts: '',
      demoPages: PAGES,
      workers: '',
      displaySecrets: null,
    }),
  ).rejects.toThrow('DATABASE_URL is not set. Start Key Fold with `npm start`.');
});

it('a server that is this machine’s alone has the demo, and no key', async () => {
  expect(await started('127.0.0.1', ' ')).toBe('');
  expect(await eventStore().last(DEMO_ID)).toBe(0);
  expect(admission().hosts.onLoopback).toBe(true);
  expect(importer().script).toBe('workers/import-session.js');
  expect(await admission().keys.makeFirst()).not.toBeNull();
  await ended();
});

it.each([
  ['listens to others', '192.168.7.3', '', '192.168.7.3'],
  ['has another name', '127.0.0.1', 'office.example', 'localhost'],
])('a server that %s says its key once, as a link', async (_, listening, hosts, address) => {
  const [, where, key] = /^Key Fold: .*\n +(http:\S+)#(\S+)$/.exec(await started(listening, hosts)) ?? [];
  expect(where).toBe(`http://${address}:4870/access`);
  expect(await admission().keys.accepts(key)).toBe(true);
  await ended();
  expect(await started(listening, hosts)).toBe('');
  await ended();
});
