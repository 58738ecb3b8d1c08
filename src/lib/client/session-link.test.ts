/** The page's link to its session, before a server and a host that the test has in its hands. */
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { LateServer, TestStream } from '../../../testing/late-server';
import { sessionOf, later } from '../../../testing/sessions';
import { liveSession, type Manner } from '../../../testing/late-host';
import type { Wish } from '../core/commands/commands';
import type { Session } from '../core/session/session';
import { Outbox } from './outbox';
import { memoryStorage } from './page-storage';
import { GAP_MS, SessionLink, type LinkListener } from './session-link.svelte';

const start = (): Session => sessionOf('a: a1 a2 | b: b1');
const flip = (window: string): Wish => ({ type: 'bring-to-front', window, raiseAll: false });

beforeEach(() => {
  vi.stubGlobal('window', new EventTarget());
  vi.stubGlobal('EventSource', TestStream);
  TestStream.latest = null;
});
afterEach(() => vi.unstubAllGlobals());

async function linked(session: Session, manners: readonly Manner[] = ['as-wished']) {
  const server = new LateServer(session, manners);
  vi.stubGlobal('fetch', server.fetch);
  const storage = memoryStorage();
  const listener = {
    changed: vi.fn(),
    refused: vi.fn(),
    happened: vi.fn(),
    unanswered: vi.fn(),
    setAside: vi.fn(),
    late: vi.fn(),
    notKept: vi.fn(),
    gone: vi.fn(),
    keyNeeded: vi.fn(),
    locked: vi.fn(),
  } satisfies LinkListener;
  const link = new SessionLink('s', { session, seq: 0 }, new Outbox(storage, 's'), listener);
  const close = link.open();
  await vi.waitFor(() => expect(TestStream.latest).not.toBeNull());
  return { server, storage, listener, link, close };
}

describe('a link to a session', () => {
  it('shows at once, and hears once what came of it', async () => {
    const { server, storage, link, close } = await linked(start());
    TestStream.latest?.onopen?.();
    link.submit([flip('b1')], 'key');
    expect(link.session.front).toBe('b1');
    await vi.waitFor(() => expect(server.posted).toHaveLength(1));
    expect(server.posted[0]).toMatchObject({ prefer: 'return=minimal', batch: { origin: 'key', v: 2 } });
    await vi.waitFor(() => expect(link.unsent).toBe(0));
    expect(storage.length).toBe(0);
    const shown = link.session;
    server.tell();
    expect(link.session).toBe(shown);
    expect(link.session).toEqual(server.log.session);
    close();
  });

  it('takes the answer for it while it hears nothing', async () => {
    const { server, link, close } = await linked(start());
    link.submit([flip('b1')], 'pointer');
    await vi.waitFor(() => expect(link.unsent).toBe(0));
    expect(server.posted[0]?.prefer).toBeNull();
    expect(link.session).toEqual(server.log.session);
    close();
  });

  it('asks again for what it missed, and shows everything then', async () => {
    const { server, link, close } = await linked(start());
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
    try {
      TestStream.latest?.onopen?.();
      link.submit([flip('b1')], 'key');
      await vi.waitFor(() => expect([server.posted.length, link.unsent]).toEqual([1, 0]));
      const [missed, ...others] = server.takeReports();
      link.submit([flip('a1')], 'key');
      await vi.waitFor(() => expect([server.posted.length, link.unsent]).toEqual([2, 0]));
      const later = server.takeReports();
      server.tell(...others, ...later);
      const before = TestStream.latest;
      await vi.advanceTimersByTimeAsync(GAP_MS - 1);
      expect(TestStream.latest).toBe(before);
      await vi.advanceTimersByTimeAsync(10);
      expect(TestStream.latest?.url).toMatch(/after=s:0$/);
      expect(TestStream.latest).not.toBe(before);
      if (!missed) throw new Error('Nothing was reported');
      server.tell(missed, ...others, ...later);
      expect([link.unsent, link.session.front]).toEqual([0, 'a1']);
      // Nothing is missing any more: it goes on listening where it does.
      const now = TestStream.latest;
      await vi.advanceTimersByTimeAsync(2 * GAP_MS);
      expect(TestStream.latest).toBe(now);
    } finally {
      vi.useRealTimers();
      close();
    }
  });

  it('takes back what is refused, and says so', async () => {
    const { server, listener, link, close } = await linked(start());
    server.log.observe(
      [{ type: 'windows-closed', windows: ['b1'], discarded: [], entry: 'e' }],
      null,
      later(1),
    );
    link.submit([flip('b1')], 'key');
    await vi.waitFor(() => expect(listener.refused).toHaveBeenCalledWith("There is no window 'b1'."));
    expect(link.session.front).toBe('a1');
    close();
  });

  it('says what came of something that only the host could tell, and what did not', async () => {
    const { server, listener, link, close } = await linked(liveSession(start()), [
      'as-wished',
      'refuses',
      'never',
      'as-wished',
    ]);
    TestStream.latest?.onopen?.();
    const before = link.session;
    link.submit([{ type: 'close', window: 'a2' }], 'key');
    link.submit([flip('b1')], 'key');
    link.submit([flip('a1')], 'key');
    link.submit([flip('b1')], 'key');
    expect(before.windows).toEqual(link.session.windows);
    await vi.waitFor(() => expect(server.posted).toHaveLength(4));
    server.tell();
    expect(listener.happened).not.toHaveBeenCalled();
    server.host.finish();
    server.tell();
    expect(listener.happened).toHaveBeenCalledOnce();
    expect(listener.happened).toHaveBeenCalledWith(expect.anything(), [
      expect.objectContaining({ type: 'windows-closed', windows: ['a2'] }),
    ]);
    expect(listener.refused).toHaveBeenCalledWith('It would not.');
    expect(listener.unanswered).not.toHaveBeenCalled();
    server.giveUp();
    server.tell();
    expect(listener.unanswered).toHaveBeenCalledOnce();
    expect(link.session).toEqual(server.log.session);
    close();
  });
});
