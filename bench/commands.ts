/**
 * `npm run bench:commands`: commands a second beside two floors of the same run: bare one-row commits over as many
 * connections, and a SvelteKit route that does one prepared insert. All kinds take turns, round by round.
 */
import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import pg from 'pg';
import { ROOT } from '../scripts/lib/paths.mjs';
import { toDocument } from '../src/lib/core/formats/session-document';
import { sessionOf } from '../testing/sessions';
import { load, post } from './load';
import { served } from './served';
import { percentile, printTable } from './statistics';

const BARE = 'insert into floor (body) values ($1)';
const ROUNDS = 7;
const ROUND_MS = 800;
const TURNS = 2_000;
const CLIENTS = [1, 8, 64];
const WINDOWS = ['a1', 'b1', 'c1', 'd1'];

const server = await served();
try {
  const sessions: string[] = [];
  for (let n = 0; n < 64; n += 1) sessions.push(await newSession());
  const [busy = '', quiet = ''] = sessions;
  const command = (session: string, n: number) =>
    post(`${server.url}/api/sessions/${session}/commands`, {
      id: randomUUID(),
      commands: [
        {
          id: randomUUID(),
          at: new Date().toISOString(),
          type: 'bring-to-front',
          window: WINDOWS[n % WINDOWS.length],
          raiseAll: false,
        },
      ],
    });
  const floor = () => post(`${server.url}/floor`, { id: randomUUID(), window: 'a1' });
  // A new server takes twice the processor until it is warm.
  await load(8, 3_000, (client, n) => command(sessions[client] ?? busy, n));
  await load(8, 2_000, floor);

  const rows = [];
  const only = process.argv[2];
  for (const clients of only ? [Number(only)] : CLIENTS)
    rows.push(await rates(clients, command, floor, busy, sessions));
  printTable('Answers a second (median of the rounds), and as a share of the floors', rows);
  printTable('A quiet session beside a busy one, ms', [await beside(command, busy, quiet)]);
  printTable('Commands with readers of the same session, ms', await withReaders(command, quiet));
} finally {
  await server.stop();
}

async function newSession(): Promise<string> {
  const response = await fetch(`${server.url}/api/sessions`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(toDocument(sessionOf('a: a1 a2 | b: b1 | c: c1 | d: d1'))),
  });
  return ((await response.json()) as { id: string }).id;
}

type Command = (session: string, n: number) => Promise<number>;

async function rates(
  clients: number,
  command: Command,
  floor: () => Promise<number>,
  busy: string,
  sessions: readonly string[],
) {
  const bare = await bareConnections(clients);
  const kinds = {
    bare: (client: number) => bare[client]?.query({ name: 'bare', text: BARE, values: ['{"window":"a1"}'] }),
    floor: () => floor(),
    one: (client: number, n: number) => command(busy, n * 3 + client),
    many: (client: number, n: number) => command(sessions[client] ?? busy, n),
  };
  const measured = clients === 1 ? await takingTurns(kinds) : await roundByRound(kinds, clients);
  await Promise.all(bare.map((client) => client.end()));
  const rate = (kind: keyof typeof kinds) => measured[kind];
  const share = (kind: 'one' | 'many', of: 'bare' | 'floor') => Number((rate(kind) / rate(of)).toFixed(2));
  return {
    clients,
    'bare commits': Math.round(rate('bare')),
    floor: Math.round(rate('floor')),
    'one session': Math.round(rate('one')),
    'a session each': Math.round(rate('many')),
    'one ÷ bare': share('one', 'bare'),
    'each ÷ bare': share('many', 'bare'),
    'one ÷ floor': share('one', 'floor'),
    'each ÷ floor': share('many', 'floor'),
  };
}

type Kinds<K extends string> = Record<K, (client: number, n: number) => Promise<unknown> | undefined>;

/** One client asks for each kind in turn, so that no noise of the machine falls on one alone; 1000 ÷ median. */
async function takingTurns<K extends string>(kinds: Kinds<K>): Promise<Record<K, number>> {
  const names = Object.keys(kinds) as K[];
  const times = new Map<K, number[]>(names.map((name) => [name, []]));
  for (let n = 0; n < TURNS; n += 1)
    for (const name of names) {
      const asked = performance.now();
      await kinds[name](0, n);
      times.get(name)?.push(performance.now() - asked);
    }
  return Object.fromEntries(
    names.map((name) => [name, 1000 / percentile(times.get(name) ?? [], 50)]),
  ) as Record<K, number>;
}

/** The kinds take turns, round by round; the median of the rounds' rates. */
async function roundByRound<K extends string>(kinds: Kinds<K>, clients: number): Promise<Record<K, number>> {
  const names = Object.keys(kinds) as K[];
  const rates = new Map<K, number[]>(names.map((name) => [name, []]));
  for (let round = 0; round < ROUNDS; round += 1)
    for (const name of names)
      rates
        .get(name)
        ?.push((await load(clients, ROUND_MS, async (client, n) => kinds[name](client, n))).rate);
  return Object.fromEntries(names.map((name) => [name, percentile(rates.get(name) ?? [], 50)])) as Record<
    K,
    number
  >;
}

async function bareConnections(count: number): Promise<pg.Client[]> {
  return Promise.all(
    Array.from({ length: count }, async () => {
      const client = new pg.Client({ connectionString: server.databaseUrl });
      await client.connect();
      return client;
    }),
  );
}

/** How long a quiet session's commands take, alone and while 64 clients hammer another. */
async function beside(command: Command, busy: string, quiet: string) {
  const slowly = async (): Promise<number[]> => {
    const times: number[] = [];
    for (let n = 0; n < 250; n += 1) {
      const asked = performance.now();
      await command(quiet, n);
      times.push(performance.now() - asked);
      await new Promise((resolve) => setTimeout(resolve, 10));
    }
    return times;
  };
  const alone = await slowly();
  // In a process of its own: its clients must not keep this one from noticing an answer.
  const crowd = spawn(process.execPath, [
    join(ROOT, 'bench/crowd.mjs'),
    `${server.url}/api/sessions/${busy}/commands`,
    '64',
    ...WINDOWS,
  ]);
  await new Promise((resolve) => setTimeout(resolve, 1_000));
  const beside = await slowly();
  crowd.kill('SIGKILL');
  const ms = (times: readonly number[], p: number) => Number(percentile(times, p).toFixed(1));
  return {
    'alone p50': ms(alone, 50),
    'alone p99': ms(alone, 99),
    'beside p50': ms(beside, 50),
    'beside p99': ms(beside, 99),
    'p99 ratio': Number((ms(beside, 99) / ms(alone, 99)).toFixed(1)),
  };
}

/** What readers cost: 200 of the same session, 500 that read, and 20 that do not. */
async function withReaders(command: Command, session: string) {
  const rows = [];
  for (const [readers, reading] of [
    [0, true],
    [200, true],
    [500, true],
    [20, false],
  ] as const) {
    const before = memory();
    const { seq } = (await (await fetch(`${server.url}/api/sessions/${session}`)).json()) as { seq: number };
    // In a process of their own: their reading must not keep this one from noticing an answer.
    const listeners = spawn(process.execPath, [
      join(ROOT, 'bench/listeners.mjs'),
      `${server.url}/api/sessions/${session}/events?after=${seq}`,
      String(readers),
      reading ? 'read' : 'sit',
    ]);
    await new Promise((resolve) => setTimeout(resolve, 2_000));
    const { times } = await load(1, 4_000, (_, n) => command(session, n));
    rows.push({
      readers: reading ? readers : `${readers} that do not read`,
      p50: Number(percentile(times, 50).toFixed(1)),
      p99: Number(percentile(times, 99).toFixed(1)),
      'memory, MiB': Math.round(memory()),
      'more than before': Math.round(memory() - before),
    });
    listeners.kill('SIGKILL');
    await new Promise((resolve) => setTimeout(resolve, 500));
  }
  return rows;
}

/** What the server's process holds, in MiB. */
function memory(): number {
  const status = readFileSync(`/proc/${server.pid}/status`, 'utf8');
  return Number(/VmRSS:\s+(\d+)/.exec(status)?.[1] ?? 0) / 1024;
}
