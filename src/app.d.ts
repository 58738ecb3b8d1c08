import type { IncomingMessage } from 'node:http';
import type { Duplex } from 'node:stream';

declare global {
  /** What answers requests to upgrade to a WebSocket, once the server has started; whatever serves it hands them on. */
  var keyFoldUpgrade: ((request: IncomingMessage, socket: Duplex, head: Buffer) => void) | undefined;
}
