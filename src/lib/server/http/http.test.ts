import { hostname } from 'node:os';
import { describe, expect, it } from 'vitest';
import { guard } from './guard';
import { Hosts } from './hosts';
import { pointerTo, Problem } from './problem';
import { prefersMinimal } from './preference';
import { readJson } from './read-json';

const request = (body: BodyInit, type = 'application/json') =>
  new Request('http://localhost/', { method: 'POST', body, headers: { 'content-type': type } });

it.each([
  ['return=minimal', true],
  ['respond-async, Return = "minimal"; x=1', true],
  ['return=representation', false],
  ['return=minimalist', false],
  [null, false],
])('Prefer: %s asks for little: %s (RFC 7240, section 4.2)', (prefer, minimal) => {
  expect(prefersMinimal(new Headers(prefer === null ? {} : { prefer }))).toBe(minimal);
});

describe('reading JSON', () => {
  it('gives what was sent', async () => {
    expect(await readJson(request('{"a":"é"}', 'application/json; charset=utf-8'), 100)).toEqual({ a: 'é' });
  });

  it.each([
    [415, () => request('{}', 'text/plain')],
    [400, () => request('{')],
    [413, () => request(`"${'x'.repeat(200)}"`)],
  ])('answers %i to a bad body', async (status, make) => {
    await expect(readJson(make(), 100)).rejects.toMatchObject({ status });
  });

  it('does not read on past the limit when no length was declared', async () => {
    let pulled = 0;
    const endless = new ReadableStream({
      pull(controller) {
        pulled += 1;
        controller.enqueue(new Uint8Array(64));
      },
    });
    const streaming = new Request('http://localhost/', {
      method: 'POST',
      body: endless,
      headers: { 'content-type': 'application/json' },
      duplex: 'half',
    } as RequestInit);
    await expect(readJson(streaming, 1024)).rejects.toMatchObject({ status: 413 });
    expect(pulled).toBeLessThan(40);
  });
});

describe('the guard', () => {
  const hosts = new Hosts('127.0.0.1', ' Desk.Ellavane.Example , ,office.example');
  const check = (headers: Record<string, string>) => () => guard(new Headers(headers), '127.0.0.1', hosts);

  it.each<Record<string, string>>([
    { host: 'localhost:4870' },
    { host: '127.0.0.1:4870', origin: 'http://127.0.0.1:4870', 'sec-fetch-site': 'same-origin' },
    { host: '[::1]:4870' },
    { host: 'desk.ellavane.example' },
    { host: 'localhost:4870', 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'navigate' },
  ])('lets %o in', (headers) => {
    expect(check(headers)).not.toThrow();
  });

  it.each([
    [421, { host: 'elsewhere.example:4870' }],
    [421, { host: 'localhost.elsewhere.example' }],
    [403, { host: 'localhost:4870', origin: 'http://elsewhere.example' }],
    [403, { host: 'localhost:4870', origin: 'http://localhost:9999' }],
    [403, { host: 'localhost:4870', origin: 'null' }],
    [403, { host: 'localhost:4870', 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'no-cors' }],
    [403, { host: 'localhost:4870', origin: 'http://e.example', 'sec-fetch-mode': 'navigate' }],
  ])('answers %i to %o', (status, headers) => {
    expect(check(headers)).toThrow(expect.objectContaining({ status }));
  });
});

describe('a server that listens beyond loopback', () => {
  const everywhere = new Hosts('0.0.0.0', '');
  const one = new Hosts('192.168.7.3', '');
  const ask = (host: string, peer: string, hosts: Hosts) => () => guard(new Headers({ host }), peer, hosts);

  it('answers to its own addresses, its name, and loopback’s names over loopback alone', () => {
    expect(one.addresses()).toEqual(['192.168.7.3']);
    expect(ask('192.168.7.3:4870', '192.168.7.9', one)).not.toThrow();
    expect(ask(hostname(), '192.168.7.9', everywhere)).not.toThrow();
    for (const address of everywhere.addresses())
      expect(ask(`${address}:4870`, '192.168.7.9', everywhere)).not.toThrow();
    expect(ask('localhost:4870', '127.0.0.1', everywhere)).not.toThrow();
    expect(ask('localhost:4870', '::ffff:127.0.0.1', everywhere)).not.toThrow();
    expect(ask('localhost:4870', '192.168.7.9', everywhere)).toThrow(
      expect.objectContaining({ status: 421 }),
    );
    expect(ask('192.168.7.4', '192.168.7.9', one)).toThrow(expect.objectContaining({ status: 421 }));
    expect(ask('elsewhere.example', '127.0.0.1', everywhere)).toThrow(
      expect.objectContaining({ status: 421 }),
    );
  });
});

describe('a problem', () => {
  it('is answered as RFC 9457 says', async () => {
    const response = new Problem('refused', 'No.', [{ pointer: '#/a', detail: 'wrong' }]).toResponse();
    expect(response.headers.get('content-type')).toBe('application/problem+json');
    expect(await response.json()).toEqual({
      type: '/problems/refused',
      title: 'Refused',
      status: 422,
      detail: 'No.',
      errors: [{ pointer: '#/a', detail: 'wrong' }],
    });
  });

  it('points with the escapes of RFC 6901, section 6', () => {
    // The examples of that section: "a/b", "c%d", "m~n", " ".
    expect(pointerTo(['a/b'])).toBe('#/a~1b');
    expect(pointerTo(['c%d'])).toBe('#/c%25d');
    expect(pointerTo(['m~n'])).toBe('#/m~0n');
    expect(pointerTo([' '])).toBe('#/%20');
    expect(pointerTo([])).toBe('#');
  });
});
