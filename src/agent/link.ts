import WebSocket from 'ws';
import { CLOSE_CODES, type AgentMessage, type ServerMessage } from '../lib/core/display/told';

/** Waits between two attempts to reach the server, in ms: the first, and the longest. */
const FIRST_WAIT_MS = 250;
const LONGEST_WAIT_MS = 4_000;
/** A connection that says nothing for so long, in ms, is given up; the server is asked for a sign of life before. */
const SILENCE_MS = 20_000;

/** Reasons not to try again. */
const FINAL: Readonly<Record<number, string>> = {
  [CLOSE_CODES.replaced]: 'Another agent has connected for this display with the same token; this one ends.',
  [CLOSE_CODES.revoked]: 'The token was revoked. Get a new one with `npm run agent-token`.',
  [CLOSE_CODES.version]: 'The server is of another version. Update Key Fold here and there.',
};

/** What hears of the connection. */
export interface LinkListener {
  connected(): void;
  lost(): void;
  message(message: ServerMessage): void;
  /** It will not be tried again. */
  ended(why: string): void;
}

/** The agent's connection to the server: it calls out, for as long as it takes, and listens nowhere. */
export class Link {
  #socket: WebSocket | null = null;
  #wait = FIRST_WAIT_MS;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #silence: ReturnType<typeof setTimeout> | undefined;
  #closed = false;

  /** @param url of the server's agent route, e.g. `ws://127.0.0.1:4870/api/agent` */
  constructor(
    readonly url: string,
    readonly token: string,
    readonly listener: LinkListener,
  ) {}

  open(): void {
    if (this.#closed) return;
    clearTimeout(this.#timer);
    const socket = new WebSocket(this.url, {
      headers: { authorization: `Bearer ${this.token}` },
      perMessageDeflate: false,
      handshakeTimeout: LONGEST_WAIT_MS,
    });
    this.#socket = socket;
    socket.on('open', () => {
      this.#wait = FIRST_WAIT_MS;
      this.#alive();
      this.listener.connected();
    });
    socket.on('message', (data) => {
      this.#alive();
      // What comes from the server is text; it is ours.
      this.listener.message(JSON.parse((data as Buffer).toString()) as ServerMessage);
    });
    socket.on('ping', () => this.#alive());
    socket.on('unexpected-response', (_request, response) => {
      if (response.statusCode === 401) this.#end(FINAL[CLOSE_CODES.revoked] ?? '');
      socket.terminate();
    });
    socket.on('error', () => undefined);
    socket.on('close', (code) => this.#socket === socket && this.#onClose(code));
  }

  /** Whether what is said now is heard. */
  get isOpen(): boolean {
    return this.#socket?.readyState === WebSocket.OPEN;
  }

  say(message: AgentMessage): void {
    if (this.isOpen) this.#socket?.send(JSON.stringify(message));
  }

  /** Ends the connection until it is opened again. */
  pause(): void {
    clearTimeout(this.#timer);
    const socket = this.#socket;
    this.#socket = null;
    socket?.close();
  }

  /** Ends it for good. */
  close(): void {
    this.#closed = true;
    clearTimeout(this.#timer);
    clearTimeout(this.#silence);
    this.#socket?.close();
  }

  #onClose(code: number): void {
    clearTimeout(this.#silence);
    if (this.#closed) return;
    this.listener.lost();
    const final = FINAL[code];
    if (final !== undefined) return this.#end(final);
    this.#timer = setTimeout(() => this.open(), this.#wait);
    this.#wait = Math.min(this.#wait * 2, LONGEST_WAIT_MS);
  }

  #end(why: string): void {
    if (this.#closed) return;
    this.#closed = true;
    clearTimeout(this.#timer);
    this.listener.ended(why);
  }

  /** The server says something every few seconds, if only that it is there. */
  #alive(): void {
    clearTimeout(this.#silence);
    this.#silence = setTimeout(() => this.#socket?.terminate(), SILENCE_MS);
  }
}
