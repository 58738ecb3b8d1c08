/** A shared worker that listens to the server for all pages of one browser. */
import { openEventSource } from './event-source';
import { NewsHub } from './hub';
import { servePage } from './serve-page';

interface SharedWorkerScope {
  onconnect: ((event: MessageEvent) => void) | null;
}

const hub = new NewsHub(openEventSource);

(globalThis as unknown as SharedWorkerScope).onconnect = ({ ports: [port] }) => {
  if (port) servePage(port, hub);
};
