import type { FromPanel, ToPanel } from '../core/display/holding';
import { PANEL } from './session-api';

/** Waits between two attempts to reach the server, in ms: the first, and the longest. */
const FIRST_WAIT_MS = 250;
const LONGEST_WAIT_MS = 4_000;

/** The line between the page in Key Fold's own window and the agent, through the server. It opens anew for as long as it takes. */
export class PanelChannel {
  #socket: WebSocket | null = null;
  #wait = FIRST_WAIT_MS;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #closed = false;
  /** What was said last of each kind: whoever comes anew is told it. */
  readonly #said = new Map<FromPanel['type'], FromPanel>();

  constructor(
    readonly session: string,
    readonly hear: (message: ToPanel) => void,
  ) {}

  /** Opens it; the returned function ends it. */
  open(): () => void {
    this.#connect();
    return () => {
      this.#closed = true;
      clearTimeout(this.#timer);
      this.#socket?.close();
    };
  }

  /** Says something, now or as soon as it is heard. */
  say(message: FromPanel): void {
    this.#said.set(message.type, message);
    this.mention(message);
  }

  /** Says something that is about this moment alone. */
  mention(message: FromPanel): void {
    if (this.#socket?.readyState === WebSocket.OPEN) this.#socket.send(JSON.stringify(message));
  }

  /** Whoever comes anew is not told any more what was said last of this kind. */
  withdraw(type: FromPanel['type']): void {
    this.#said.delete(type);
  }

  #connect(): void {
    const address = new URL(`${PANEL}?session=${this.session}`, location.href);
    address.protocol = address.protocol.replace('http', 'ws');
    const socket = new WebSocket(address);
    this.#socket = socket;
    socket.onopen = () => {
      this.#wait = FIRST_WAIT_MS;
      for (const message of this.#said.values()) socket.send(JSON.stringify(message));
    };
    socket.onmessage = ({ data }) => this.hear(JSON.parse(String(data)) as ToPanel);
    socket.onclose = () => {
      if (this.#closed) return;
      this.#timer = setTimeout(() => this.#connect(), this.#wait);
      this.#wait = Math.min(this.#wait * 2, LONGEST_WAIT_MS);
    };
  }
}
