import { newId } from '../ids';
import { openEventSource } from './event-source';
import { NewsHub, type Followed } from './hub';
import type { FromPage, News } from './messages';

/**
 * Tells `tell` what happens in a session, until the returned function is called: through the worker that all pages of
 * this browser share, or where there are no shared workers over a connection of this page's own.
 */
export function followNews(followed: Followed, tell: (news: News) => void): () => void {
  if (typeof SharedWorker === 'undefined') return new NewsHub(openEventSource).follow(followed, tell);
  return followShared(followed, tell);
}

function followShared(followed: Followed, tell: (news: News) => void): () => void {
  let position = followed.after;
  const hear = (news: News) => {
    if (news.type === 'stored')
      position = Math.max(position, news.confirmation.first + news.confirmation.events.length - 1);
    tell(news);
  };
  const worker = new SharedWorker(new URL('./news-worker.ts', import.meta.url), {
    type: 'module',
    name: 'key-fold news',
  });
  const post = (message: FromPage) => worker.port.postMessage(message);
  const alive = `key-fold/page/${newId()}`;
  let died: () => void = () => undefined;
  const follow = () => post({ type: 'follow', session: followed.session, after: position, alive });
  const leave = () => post({ type: 'leave' });
  const back = ({ persisted }: PageTransitionEvent) => persisted && follow();
  window.addEventListener('pagehide', leave);
  window.addEventListener('pageshow', back);
  let leaveDirect: (() => void) | null = null;
  worker.onerror = () => {
    leaveDirect ??= new NewsHub(openEventSource).follow({ ...followed, after: position }, hear);
  };
  worker.port.onmessage = ({ data }: MessageEvent<News>) => hear(data);
  // The lock first: a worker that got it before the page would take the page for dead.
  if (navigator.locks)
    void navigator.locks.request(alive, () => {
      follow();
      return new Promise<void>((resolve) => (died = resolve));
    });
  else follow();
  return () => {
    leave();
    died();
    leaveDirect?.();
    worker.port.close();
    window.removeEventListener('pagehide', leave);
    window.removeEventListener('pageshow', back);
  };
}
