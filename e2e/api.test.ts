import { randomUUID } from 'node:crypto';
import Ajv2020 from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import { describe, expect, inject, it } from 'vitest';
import { ellavane } from '../src/lib/demo/ellavane';
import { sendRaw } from '../testing/raw-request';
import { createSession, storedSession } from './support/browser';

const demo = ellavane(new Date());
const url = (path: string) => `${inject('baseUrl')}${path}`;
const send = (path: string, body: unknown) =>
  fetch(url(path), {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
const command = (more: object) => ({ id: randomUUID(), at: new Date().toISOString(), ...more });

describe('bad input is a problem that names the field, and nothing changes', () => {
  it('one bad command among good ones', async () => {
    const id = await createSession(demo);
    const before = await storedSession(id);
    const commands = [command({ type: 'sweep' }), command({ type: 'minimise', window: 'w-nowhere' })];
    const response = await send(`/api/sessions/${id}/commands`, { id: randomUUID(), commands });
    expect([response.status, response.headers.get('content-type')]).toEqual([
      422,
      'application/problem+json',
    ]);
    expect(await response.json()).toMatchObject({ errors: [{ pointer: '#/commands/1/window' }] });
    expect(await storedSession(id)).toEqual(before);
  });
});

describe('the session document', () => {
  it('comes back as it went in, and both conform to the schema that is served', async () => {
    const schema = (await (await fetch(url('/session-document.schema.json'))).json()) as object;
    const conforms = addFormats(new Ajv2020()).compile(schema);
    const id = await createSession(demo);
    const exported: unknown = await (await fetch(url(`/api/sessions/${id}/document`))).json();
    expect(exported).toEqual(demo);
    expect(conforms(demo)).toBe(true);
    expect(conforms(exported)).toBe(true);
  });
});

describe('a page elsewhere cannot drive the server', () => {
  it.each([
    [421, { host: 'elsewhere.example' }],
    [403, { host: '127.0.0.1', origin: 'http://elsewhere.example' }],
  ])('it is answered %i', async (status, headers) => {
    const port = new URL(inject('baseUrl')).port;
    const host = `${headers.host}:${port}`;
    for (const path of ['/', '/sessions/ellavane', '/api/sessions/ellavane'])
      expect(
        await sendRaw(inject('baseUrl'), { method: 'GET', path, headers: { ...headers, host }, body: null }),
      ).toMatchObject({ status });
  });

  it('and pages carry a strict content security policy', async () => {
    const policy = (await fetch(url('/sessions/ellavane'))).headers.get('content-security-policy') ?? '';
    expect(policy).toContain("default-src 'none'");
    expect(policy).toContain("frame-ancestors 'none'");
    expect(policy).not.toContain("'unsafe-inline'");
    expect(policy).not.toContain("'unsafe-eval'");
  });
});
