import type { NewsHub } from './hub';
import type { Followed, FromPage, ToPage } from './messages';

/** How often a page is asked whether it is still there, in ms. */
export const ASKED_EVERY_MS = 60_000;

/** The part of a MessagePort that is needed. */
export interface Port {
  onmessage: ((event: MessageEvent<FromPage>) => void) | null;
  postMessage(message: ToPage): void;
}

/**
 * Follows for the page behind a port what it asks for. A page that was killed says no good-bye; one that does not
 * answer is followed for no more, and should it only have slept, its late answer begins anew where it was. (A lock that
 * each page holds would tell at once, but browsers do not keep pages that hold one for the way back.)
 */
export function servePage(port: Port, hub: Pick<NewsHub, 'follow'>): void {
  let unfollow: (() => void) | null = null;
  let asking: ReturnType<typeof setInterval> | undefined;
  let heard = true;

  const stop = () => {
    unfollow?.();
    unfollow = null;
  };
  const follow = ({ session, after }: Followed) => {
    stop();
    unfollow = hub.follow({ session, after }, (news) => port.postMessage(news));
  };
  const ask = () => {
    if (!heard) stop();
    heard = false;
    port.postMessage({ type: 'still-there' });
  };

  port.onmessage = ({ data: message }) => {
    heard = true;
    if (message.type === 'here' && unfollow) return;
    clearInterval(asking);
    if (message.type === 'leave') return stop();
    asking = setInterval(ask, ASKED_EVERY_MS);
    follow(message);
  };
}
