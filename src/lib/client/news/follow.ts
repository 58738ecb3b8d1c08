import { lastOf } from '../../core/protocol/report';
import { openEventSource } from './event-source';
import { NewsHub } from './hub';
import type { Followed, FromPage, News, ToPage } from './messages';

/** Where a page is, what it does with news, and what to do if this way of listening cannot be had. */
interface Listening {
  readonly here: () => Followed;
  readonly hear: (news: News) => void;
  readonly failed: () => void;
}

/**
 * Tells `tell` what happens in a session, until the returned function is called: through the worker that all pages of
 * this browser share, or where there are no shared workers over a connection of this page's own. A page that the
 * browser keeps for the way back does not listen meanwhile, and goes on where it was.
 */
export function followNews({ session, after }: Followed, tell: (news: News) => void): () => void {
  let position = after;
  let listen = typeof SharedWorker === 'undefined' ? listenAlone : listenTogether;
  let leave: () => void = () => undefined;
  const listening: Listening = {
    here: () => ({ session, after: position }),
    hear(news) {
      if (news.type === 'stored') position = Math.max(position, lastOf(news.report));
      tell(news);
    },
    failed() {
      leave();
      listen = listenAlone;
      start();
    },
  };
  const start = () => (leave = listen(listening));
  const hide = () => leave();
  const show = ({ persisted }: PageTransitionEvent) => persisted && start();
  window.addEventListener('pagehide', hide);
  window.addEventListener('pageshow', show);
  start();
  return () => {
    leave();
    window.removeEventListener('pagehide', hide);
    window.removeEventListener('pageshow', show);
  };
}

function listenAlone({ here, hear }: Listening): () => void {
  return new NewsHub(openEventSource).follow(here(), hear);
}

function listenTogether({ here, hear, failed }: Listening): () => void {
  const worker = new SharedWorker(new URL('./news-worker.ts', import.meta.url), {
    type: 'module',
    name: 'key-fold news',
  });
  const { port } = worker;
  const post = (message: FromPage) => port.postMessage(message);
  worker.onerror = failed;
  port.onmessage = ({ data }: MessageEvent<ToPage>) => {
    if (data.type === 'still-there') post({ type: 'here', ...here() });
    else hear(data);
  };
  post({ type: 'follow', ...here() });
  return () => {
    post({ type: 'leave' });
    // A page is not kept for the way back if anything still reaches it.
    port.close();
  };
}
