import { describe, expect, it } from 'vitest';
import { guard } from './guard';
import { pointerTo, Problem } from './problem';
import { readJson } from './read-json';

const request = (body: BodyInit, type = 'application/json') =>
  new Request('http://localhost/', { method: 'POST', body, headers: { 'content-type': type } });

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
  const check = (headers: Record<string, string>) => () =>
    guard(new Headers(headers), ['desk.ellavane.example']);

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

describe('a problem', () => {
  it('is answered as RFC 9457 says', async () => {
    const response = new Problem(422, 'Refused', 'No.', [{ pointer: '#/a', detail: 'wrong' }]).toResponse();
    expect(response.headers.get('content-type')).toBe('application/problem+json');
    expect(await response.json()).toEqual({
      type: 'about:blank',
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
