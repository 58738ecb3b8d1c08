import { hostname } from 'node:os';
import { describe, expect, it } from 'vitest';
import { Unavailable } from '../database/trouble';
import { withProblem } from './framework-problem';
import { guard } from './guard';
import { Hosts } from './hosts';
import { answering, pointerTo, Problem } from './problem';
import { prefersMinimal } from './preference';
import { readJson } from './read-json';
import { eventNumber, followedFrom, streaming } from './streaming';

const request = (body: BodyInit, type = 'application/json') =>
  new Request('http://localhost/', { method: 'POST', body, headers: { 'content-type': type } });

it.each([
  ['return=minimal', true],
  ['respond-async, Return = "minimal"; x=1', true],
  ['return=representation', false],
  ['return=minimalist', false],
  ['do-not-return=minimal', false],
  [null, false],
])('Prefer: %s asks for little: %s (RFC 7240, section 4.2)', (prefer, minimal) => {
  expect(prefersMinimal(new Headers(prefer === null ? {} : { prefer }))).toBe(minimal);
});

describe('reading JSON', () => {
  const json = { 'content-type': 'application/json' };
  /** A body that comes in pieces, with no length declared. */
  const inPieces = (...pieces: string[]) =>
    new Request('http://localhost/', {
      method: 'POST',
      body: new ReadableStream({
        start(controller) {
          for (const piece of pieces) controller.enqueue(new TextEncoder().encode(piece));
          controller.close();
        },
      }),
      headers: json,
      duplex: 'half',
    } as RequestInit);
  const declared = (length: number) =>
    new Request('http://localhost/', {
      method: 'POST',
      body: '"ab"',
      headers: { ...json, 'content-length': `${length}` },
    });
  const tooLarge = { status: 413, detail: 'The body is larger than the limit of 2 KiB.' };

  it('gives what was sent', async () => {
    expect(await readJson(request('{"a":"é"}', 'Application/JSON ; charset=utf-8'), 100)).toEqual({ a: 'é' });
    expect(await readJson(inPieces('{"a":', '', '[1,', '2]}'), 100)).toEqual({ a: [1, 2] });
  });

  it.each([
    [415, 'Send the body with the content type application/json.', () => request('{}', 'text/plain')],
    [415, 'Send the body with the content type application/json.', () => new Request('http://localhost/')],
    [400, 'The body does not parse as JSON.', () => request('{')],
    [400, 'The body does not parse as JSON.', () => new Request('http://localhost/', { headers: json })],
  ])('answers %i to a bad body: %s', async (status, detail, make) => {
    await expect(readJson(make(), 100)).rejects.toMatchObject({ status, detail });
  });

  it('takes as much as its limit and no more, whether a length was declared or not', async () => {
    const full = `"${'x'.repeat(2_046)}"`;
    for (const body of [request(full), inPieces(full.slice(0, 9), full.slice(9)), declared(2_048)])
      await expect(readJson(body, 2_048)).resolves.toEqual(expect.any(String));
    for (const body of [request(`${full} `), inPieces(full, ' '), declared(2_049)])
      await expect(readJson(body, 2_048)).rejects.toMatchObject(tooLarge);
  });

  it('does not read on past the limit when no length was declared', async () => {
    let pulled = 0;
    const endless = new ReadableStream({
      pull(controller) {
        pulled += 1;
        controller.enqueue(new Uint8Array(64));
      },
    });
    const body = { method: 'POST', body: endless, headers: json, duplex: 'half' };
    await expect(readJson(new Request('http://localhost/', body), 2_048)).rejects.toMatchObject(tooLarge);
    expect(pulled).toBeLessThan(70);
  });
});

describe('the guard', () => {
  const hosts = () => new Hosts('127.0.0.1', ' Desk.Ellavane.Example , ,office.example');
  const check = (headers: object) => () => guard(new Headers({ ...headers }), '127.0.0.1', hosts());

  it.each<Record<string, string>>([
    { host: 'localhost:4870' },
    { host: '127.0.0.1:4870', origin: 'http://127.0.0.1:4870', 'sec-fetch-site': 'same-origin' },
    { host: '[::1]:4870' },
    { host: 'desk.ellavane.example' },
    { host: 'Office.example', origin: 'http://OFFICE.example', 'sec-fetch-site': 'same-site' },
    { host: 'localhost:4870', 'sec-fetch-site': 'none' },
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
    [403, { host: 'localhost:4870', 'sec-fetch-site': 'same-site' }],
    [421, {}],
    [403, { host: 'localhost:4870', origin: 'http://e.example', 'sec-fetch-mode': 'navigate' }],
  ])('answers %i to %o', (status, headers: { host?: string }) => {
    const foreign = `This server does not answer to the host '${headers.host ?? ''}'.`;
    const detail = status === 421 ? foreign : 'Only pages of this server may use it.';
    expect(check(headers)).toThrow(expect.objectContaining({ status, detail }));
  });
});

describe('a server that listens beyond loopback', () => {
  const everywhere = () => new Hosts('0.0.0.0', '');
  const one = () => new Hosts('192.168.7.3', '');
  const ask = (host: string, peer: string, hosts: Hosts) => () => guard(new Headers({ host }), peer, hosts);
  const notOurs = expect.objectContaining({ status: 421 });

  it('answers to its own addresses, its name, and loopback’s names over loopback alone', () => {
    expect(one().addresses()).toEqual(['192.168.7.3']);
    expect(ask('192.168.7.3:4870', '192.168.7.9', one())).not.toThrow();
    expect(ask(hostname().toUpperCase(), '192.168.7.9', everywhere())).not.toThrow();
    for (const address of everywhere().addresses())
      expect(ask(`${address}:4870`, '192.168.7.9', everywhere())).not.toThrow();
    for (const peer of ['127.0.0.1', '::ffff:127.0.0.1', '::1', '127.9.8.7'])
      expect(ask('localhost:4870', peer, everywhere())).not.toThrow();
    for (const peer of ['192.168.7.9', '1127.0.0.1', '127.0.0.1.example'])
      expect(ask('localhost:4870', peer, everywhere())).toThrow(notOurs);
    expect(ask('192.168.7.4', '192.168.7.9', one())).toThrow(notOurs);
    for (const name of ['elsewhere.example', ''])
      expect(ask(name, '127.0.0.1', everywhere())).toThrow(notOurs);
  });

  it('has an address of the sixth version of the protocol in brackets, as URLs do (RFC 3986, section 3.2.2)', () => {
    for (const listening of ['FE80::1', '[fe80::1]'])
      expect(new Hosts(listening, '').addresses()).toEqual(['[fe80::1]']);
    expect(new Hosts('Office.Example', '').addresses()).toEqual(['office.example']);
    expect(ask('[fe80::1]:4870', 'fe80::2', new Hosts('fe80::1', ''))).not.toThrow();
  });

  it('is not one that listens on loopback, by whatever name, or answers to its own there', () => {
    for (const listening of ['localhost', '::1', '[::1]', '127.0.0.1', '::ffff:127.0.0.1']) {
      expect(new Hosts(listening, '')).toMatchObject({ onLoopback: true });
      expect(new Hosts(listening, '').addresses()).toEqual([]);
    }
    expect(ask(hostname(), '127.0.0.1', new Hosts('127.0.0.1', ''))).toThrow(notOurs);
    for (const listening of ['0.0.0.0', '::', '[::]', ''])
      expect(new Hosts(listening, '')).toMatchObject({ onLoopback: false });
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

  it('is what becomes of trouble that passes; what nobody expected stays an error', async () => {
    const answered = await answering(() => Promise.reject(new Unavailable('Later.')));
    expect([answered.status, answered.headers.get('retry-after')]).toEqual([503, '1']);
    const refused = await answering(() => Promise.reject(new Problem('refused', 'No.')));
    expect([refused.status, await refused.json()]).toEqual([
      422,
      expect.not.objectContaining({ errors: [] }),
    ]);
    // What is left of a body that is too large is not read (RFC 9112, section 9.6).
    expect(new Problem('body-too-large', 'No.').toResponse().headers.get('connection')).toBe('close');
    expect(answered.headers.has('connection')).toBe(false);
    expect(new Problem('refused', 'No.').message).toBe('refused: No.');
    await expect(answering(() => Promise.reject(new Error('what?')))).rejects.toThrow('what?');
  });
});

describe('what the framework says of its own accord', () => {
  const said = (status: number, path: string, accept: string, headers: Record<string, string> = {}) =>
    withProblem(
      new Request(`http://localhost${path}`, { headers: { accept } }),
      new Response('as it was', { status, headers }),
    );

  it.each([
    [404, '/api/nothing', 'text/html', 'not-here'],
    [404, '/nothing', '*/*', 'not-here'],
    [405, '/api/sessions', '*/*', 'wrong-method'],
    [413, '/api/sessions', '*/*', 'body-too-large'],
    [418, '/api/sessions', '*/*', 'malformed-request'],
    [500, '/api/sessions', '*/*', 'went-wrong'],
  ])('%i at %s for those who want %s is the problem %4$s', async (status, path, accept, type) => {
    const problem = await said(status, path, accept).json();
    expect(problem).toMatchObject({ type: `/problems/${type}`, detail: expect.stringMatching(/^\w.*\.$/) });
  });

  it('stays as it is for people who look for a page, for the framework itself, and where all is well', async () => {
    for (const response of [
      said(404, '/nothing', 'text/html,*/*'),
      said(404, '/sessions/x/__data.json', '*/*'),
      said(200, '/api/sessions', '*/*'),
      said(422, '/api/sessions', '*/*', { 'content-type': 'application/problem+json' }),
    ])
      expect(await response.text()).toBe('as it was');
  });

  it('keeps the methods that are understood (RFC 9110, section 15.5.6)', () => {
    expect(said(405, '/api/sessions', '*/*', { allow: 'POST' }).headers.get('allow')).toBe('POST');
    expect(said(404, '/api/sessions', '*/*').headers.has('allow')).toBe(false);
  });
});

describe('what is followed', () => {
  it('is read from the address', () => {
    expect(followedFrom('ellavane:12,s-1:0', 2)).toEqual([
      { session: 'ellavane', after: 12 },
      { session: 's-1', after: 0 },
    ]);
    expect(eventNumber('999999999')).toBe(999_999_999);
    const { headers } = streaming(null);
    expect([headers.get('content-type'), headers.get('cache-control')]).toEqual([
      'text/event-stream',
      'no-store',
    ]);
  });

  const numbers = ['Last-Event-ID and after are whole numbers.', 'must be a whole number'];
  const list = [
    'after lists sessions and event numbers, as in a:1,b:2.',
    'must list sessions and event numbers',
  ];
  const once = ['after lists up to 2 sessions, each once.', 'lists too many sessions, or one twice'];
  it.each([
    ['', list],
    ['A:1', list],
    ['a:1,', list],
    ['a', numbers],
    ['a:', numbers],
    ['a:-1', numbers],
    ['a:1.5', numbers],
    ['a:1234567890', numbers],
    ['a:1,a:2', once],
    ['a:1,b:2,c:3', once],
  ])('is refused: %j', (after, [title = '', detail = '']) => {
    const errors = [{ pointer: '#/after', detail }];
    const problem = expect.objectContaining({ type: 'not-an-event-number', detail: title, errors });
    expect(() => followedFrom(after, 2)).toThrow(problem);
  });
});
