import { createServer, type RequestListener } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterEach, describe, expect, it } from 'vitest';
import { pageFrom } from '../../core/guests/page';
import { askForFrames } from './frame-check';
import { frameDocument } from './frame-document';

const pageAt = (start: string, scope = './') => {
  const read = pageFrom(JSON.stringify({ name: 'X', start_url: start, scope: new URL(scope, start).href }));
  if (!('page' in read)) throw new Error(read.problem);
  return read.page;
};
const policyOf = (start: string, scope?: string) =>
  frameDocument('X', pageAt(start, scope)).headers['content-security-policy'];

describe('the document around a page', () => {
  it('admits the addresses of that page, and nothing else', () => {
    expect(policyOf('https://board.example/notices/today')).toContain(
      'frame-src https://board.example/notices/;',
    );
    expect(policyOf('https://board.example:8443/a/b', '/')).toContain(
      'frame-src https://board.example:8443/;',
    );
    expect(policyOf('https://board.example/app')).toContain('frame-src https://board.example/;');
    expect(policyOf('https://board.example/')).toMatch(/^default-src 'none'; .*frame-ancestors 'self'$/);
  });

  it('an address cannot add anything to the policy or to the document', () => {
    const odd = 'https://board.example/a;script-src *,/\'"><script>/b';
    expect(policyOf(odd)).toContain('frame-src https://board.example/a%3Bscript-src%20*%2C/');
    expect(policyOf(odd)?.split(';')).toHaveLength(6);
    const { html } = frameDocument('"><script>alert(1)</script>', pageAt(odd));
    expect(html).not.toContain('<script');
    expect(html).toContain('title="&quot;&gt;&lt;script&gt;');
  });

  it('is sandboxed: it leads nobody elsewhere and opens nothing', () => {
    const { html, headers } = frameDocument('X', pageAt('https://board.example/'));
    const [, sandbox = ''] = /sandbox="([^"]*)"/.exec(html) ?? [];
    expect(sandbox.split(' ')).not.toContain('allow-top-navigation');
    expect(sandbox.split(' ')).not.toContain('allow-popups');
    expect(headers['x-frame-options']).toBe('SAMEORIGIN');
  });
});

describe('asking a page whether it permits frames', () => {
  let close: (() => void) | undefined;
  afterEach(() => close?.());

  async function answering(answer: RequestListener): Promise<URL> {
    const server = createServer(answer);
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    close = () => server.closeAllConnections() ?? server.close();
    return new URL(`http://127.0.0.1:${(server.address() as AddressInfo).port}/`);
  }
  const ask = async (answer: RequestListener) =>
    askForFrames(await answering(answer), 'http://localhost:4870');

  it('goes by its headers', async () => {
    expect(await ask((_, response) => response.end('x'))).toBe('permitted');
    expect(await ask((_, response) => response.setHeader('x-frame-options', 'DENY').end('x'))).toBe(
      'refused',
    );
  });

  it('reads no more than that, though the page never ends', async () => {
    expect(await ask((_, response) => response.writeHead(200).write('x'))).toBe('permitted');
  });

  it('does not know where the page fails, or is not there', async () => {
    expect(await ask((_, response) => response.writeHead(500).end())).toBe('unknown');
    close?.();
    expect(await askForFrames(new URL('http://127.0.0.1:1/'), 'http://localhost:4870')).toBe('unknown');
  });
});
