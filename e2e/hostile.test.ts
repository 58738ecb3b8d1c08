/**
 * Hostile inputs, as many as HOSTILE_INPUTS says, from the seed HOSTILE_SEED: none may break the server, be accepted
 * and break a session, or be refused and change one. `HOSTILE_INPUTS=10000 npm test -- e2e/hostile.test.ts`
 */
import Ajv2020 from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import { expect, inject, it } from 'vitest';
import schema from '../src/lib/core/formats/session-document.schema.json';
import { problemsOf } from '../src/lib/core/session/session';
import { toDocument } from '../src/lib/core/formats/session-document';
import { ellavane } from '../src/lib/demo/ellavane';
import { hostileRequest } from '../testing/hostile';
import { sendRaw } from '../testing/raw-request';
import { createSession, storedSession } from './support/browser';

const INPUTS = Number(process.env.HOSTILE_INPUTS ?? 2_000);
const SEED = Number(process.env.HOSTILE_SEED ?? 20261125);
/** A session is used for so many inputs, so that it gets into all sorts of states. */
const INPUTS_PER_SESSION = 100;

const conforms = addFormats(new Ajv2020()).compile(schema);

async function checkSession(id: string): Promise<void> {
  const { session } = await storedSession(id);
  expect(problemsOf(session)).toEqual([]);
  const document = toDocument(session);
  expect(conforms(document), JSON.stringify(conforms.errors)).toBe(true);
  await createSession(document);
}

it(`${INPUTS} hostile inputs break nothing`, async () => {
  let id = '';
  let before = { session: {}, seq: -1 } as Awaited<ReturnType<typeof storedSession>>;
  const statuses = new Map<number, number>();
  for (let n = 0; n < INPUTS; n += 1) {
    if (n % INPUTS_PER_SESSION === 0) {
      if (id) await checkSession(id);
      id = await createSession(ellavane(new Date('2026-11-24T06:12:00.000Z')));
      before = await storedSession(id);
    }
    const hostile = hostileRequest(SEED, n, {
      id,
      session: before.session,
      document: toDocument(before.session),
    });
    const what = `input ${n} of seed ${SEED}: ${hostile.kind}, ${hostile.method} ${hostile.path.slice(0, 80)}`;
    const answer = await sendRaw(inject('baseUrl'), hostile);
    statuses.set(answer.status, (statuses.get(answer.status) ?? 0) + 1);
    expect(answer.status, `${what}: ${answer.body.slice(0, 300)}`).toBeLessThan(500);
    if (answer.status >= 400 && hostile.method !== 'HEAD') {
      expect(answer.type, what).toBe('application/problem+json');
      expect(JSON.parse(answer.body), what).toMatchObject({ type: expect.stringMatching(/^\/problems\//) });
    }
    const after = await storedSession(id);
    if (answer.status >= 400) expect(after, what).toEqual(before);
    else if (after.seq !== before.seq) expect(problemsOf(after.session), what).toEqual([]);
    if (answer.status === 201) await checkSession((JSON.parse(answer.body) as { id: string }).id);
    before = after;
  }
  await checkSession(id);
  // The inputs are of all sorts: some are good, some are refused, and for many a reason.
  for (const status of [200, 201, 400, 403, 404, 405, 413, 415, 421, 422])
    expect(statuses.get(status), `answers ${status}`).toBeGreaterThan(0);
});
