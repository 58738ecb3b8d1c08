/**
 * The server is killed KILLS times, and its database stopped dead CRASHES times, while several write and others read
 * and listen: what was acknowledged stays, what was read was true, and nobody misses or hears anything twice.
 * `KILLS=200 CRASHES=20 npm test -- e2e/kills.test.ts`
 */
import { afterAll, beforeAll, expect, it } from 'vitest';
import { throwawayCluster } from '../scripts/lib/cluster.mjs';
import { toDocument } from '../src/lib/core/formats/session-document';
import type { Report } from '../src/lib/core/protocol/report';
import type { Batch, Wish } from '../src/lib/core/commands/commands';
import { reduceAll } from '../src/lib/core/session/session';
import type { Session } from '../src/lib/core/session/session';
import { batchOf } from '../testing/batches';
import { PatientClient } from '../testing/patient-client';
import { sessionOf } from '../testing/sessions';
import { createSession } from './support/browser';
import { startServer, type RunningServer } from '../testing/server';

const KILLS = Number(process.env.KILLS ?? 4);
const CRASHES = Number(process.env.CRASHES ?? 2);
/** Acknowledgements between two kills. */
const BETWEEN = 25;
/** Reads that are kept to be checked, at most. */
const MOST_READ = 4_000;

let cluster: Awaited<ReturnType<typeof throwawayCluster>>;
let server: RunningServer;
let client: PatientClient;

beforeAll(async () => {
  cluster = await throwawayCluster();
  server = await startServer(cluster.url);
  client = new PatientClient(server.url);
});

afterAll(async () => {
  await server.kill();
  await cluster.stop();
});

const LINE = 'a: a1 a2 | b: b1 | c: c1 c2';
const WISHES: readonly Wish[] = [
  { type: 'bring-to-front', window: 'b1', raiseAll: false },
  { type: 'sweep' },
  { type: 'put-back', entry: null },
  { type: 'bring-to-front', window: 'c2', raiseAll: true },
  { type: 'hide-or-show', application: 'a' },
  { type: 'bring-to-front', window: 'a1', raiseAll: false },
  { type: 'keep-draft', document: 'd-b1', text: 'typed' },
  { type: 'keep-draft', document: 'd-b1', text: 'b1' },
];

it(
  `${KILLS} kills of the server and ${CRASHES} of the database lose and change nothing`,
  async () => {
    const sessions = [
      await createSession(toDocument(sessionOf(LINE)), server.url),
      await createSession(toDocument(sessionOf(LINE)), server.url),
    ] as const;
    const acknowledged: { session: string; batch: Batch; report: Report }[] = [];
    const read: { id: string; session: Session; seq: number }[] = [];
    const heard = new Map<string, Report[]>(sessions.map((session) => [session, []]));
    let going = true;

    const writers = [0, 1, 2, 3].map(async (writer) => {
      const session = sessions[writer % 2] ?? sessions[0];
      for (let n = writer; going; n += 1) {
        const batch = batchOf(WISHES[(n * 3) % WISHES.length] as Wish);
        acknowledged.push({ session, batch, report: await client.post(session, batch) });
      }
    });
    const readers = sessions.map(async (id) => {
      while (going) {
        const stored = await client.get<{ session: Session; seq: number }>(`/api/sessions/${id}`);
        if (stored && read.length < MOST_READ) read.push({ id, ...stored });
        await new Promise((resolve) => setTimeout(resolve, 5));
      }
    });
    const listeners = sessions.map((id) => client.listen(id, heard.get(id) ?? [], () => going));

    const progress = async () => {
      const before = acknowledged.length;
      while (acknowledged.length < before + BETWEEN) await new Promise((resolve) => setTimeout(resolve, 5));
    };
    for (let kill = 0; kill < KILLS; kill += 1) {
      await progress();
      await server.kill();
      server = await startServer(cluster.url, server.port);
    }
    for (let crash = 0; crash < CRASHES; crash += 1) {
      await progress();
      await cluster.crash();
    }
    await progress();
    going = false;
    await Promise.all([...writers, ...readers]);

    // Everything acknowledged is still there, and answered the same.
    const withEvents = acknowledged.filter(({ report }) => report.events.length > 0);
    expect(withEvents.length).toBeGreaterThan((KILLS + CRASHES) * 5);
    for (const { session, batch, report } of withEvents)
      expect(await client.post(session, batch)).toEqual(report);

    for (const id of sessions) {
      const stored = await client.get<{ session: Session; seq: number }>(`/api/sessions/${id}`);
      const log = heard.get(id) ?? [];
      // Nobody missed anything or heard it twice, but for what came after he stopped listening.
      let next = 1;
      const states = new Map<number, Session>([[0, sessionOf(LINE)]]);
      let now = sessionOf(LINE);
      for (const { first, events } of log) {
        expect(first).toBe(next);
        next += events.length;
        now = reduceAll(now, events);
        states.set(next - 1, now);
      }
      expect(stored?.seq).toBeGreaterThanOrEqual(next - 1);
      if (stored && states.has(stored.seq)) expect(stored.session).toEqual(states.get(stored.seq));
      // What anyone read at any time is the log reduced to its number.
      const checked = read.filter((each) => each.id === id && states.has(each.seq));
      expect(checked.length).toBeGreaterThan(KILLS);
      for (const { session, seq } of checked) expect(session).toEqual(states.get(seq));
      for (const { batch, report } of withEvents.filter((each) => each.session === id))
        if (report.first < next) expect(log.some((each) => each.batch === batch.id)).toBe(true);
    }
    await Promise.race([Promise.all(listeners), new Promise((resolve) => setTimeout(resolve, 1_000))]);
  },
  Math.max(120_000, (KILLS + CRASHES) * 10_000),
);
