/** A shared worker that listens to the server for all pages of one browser. */
import { openEventSource } from './event-source';
import { NewsHub } from './hub';
import type { FromPage, News } from './messages';

interface SharedWorkerScope {
  onconnect: ((event: MessageEvent) => void) | null;
}

const hub = new NewsHub(openEventSource);

(globalThis as unknown as SharedWorkerScope).onconnect = ({ ports: [port] }) => {
  if (!port) return;
  let leave: () => void = () => undefined;
  port.onmessage = ({ data: message }: MessageEvent<FromPage>) => {
    leave();
    leave = () => undefined;
    if (message.type === 'leave') return;
    leave = hub.follow(message, (news: News) => port.postMessage(news));
    const left = leave;
    // The page holds this lock; it is ours once the page is gone, even if it could not say good-bye.
    void navigator.locks?.request(message.alive, () => left());
  };
};
