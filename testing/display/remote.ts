/** Commands to a browser and what it tells, as JSON over a WebSocket: how both remote protocols work. */
import WebSocket from 'ws';

/** Longer than any command takes that is not stuck, in ms. */
const TIME_LIMIT_MS = 30_000;

interface Message {
  readonly id?: number;
  readonly method?: string;
  readonly params?: Readonly<Record<string, unknown>>;
  readonly sessionId?: string;
  readonly result?: unknown;
  readonly error?: unknown;
  readonly message?: string;
}

export class Remote {
  readonly #waiting = new Map<number, (message: Message) => void>();
  readonly #listeners = new Set<(message: Message) => void>();
  #last = 0;

  private constructor(readonly socket: WebSocket) {
    socket.on('message', (data) => this.#hear(JSON.parse((data as Buffer).toString()) as Message));
    socket.on('close', () => {
      for (const answer of this.#waiting.values()) answer({ error: 'The browser is gone.' });
    });
  }

  static async open(address: string): Promise<Remote> {
    const socket = new WebSocket(address, { perMessageDeflate: false });
    await new Promise((resolve, reject) => {
      socket.once('open', resolve);
      socket.once('error', reject);
    });
    return new Remote(socket);
  }

  /** @param session a part of the browser to send it to, where the protocol has such */
  send<T>(method: string, params: object = {}, session?: string): Promise<T> {
    this.#last += 1;
    const id = this.#last;
    return new Promise((resolve, reject) => {
      const late = setTimeout(() => answer({ error: `no answer in ${TIME_LIMIT_MS} ms` }), TIME_LIMIT_MS);
      const answer = ({ error, message = '', result }: Message) => {
        clearTimeout(late);
        this.#waiting.delete(id);
        if (error === undefined) resolve(result as T);
        else reject(new Error(`${method}: ${JSON.stringify(error)} ${message}`));
      };
      this.#waiting.set(id, answer);
      this.socket.send(JSON.stringify({ id, method, params, ...(session && { sessionId: session }) }));
    });
  }

  /** Resolves the next time that the browser tells this. */
  next(method: string, session?: string): Promise<void> {
    return new Promise((resolve) => {
      const listener = (message: Message) => {
        if (message.method !== method || message.sessionId !== session) return;
        this.#listeners.delete(listener);
        resolve();
      };
      this.#listeners.add(listener);
    });
  }

  #hear(message: Message): void {
    if (message.id === undefined) for (const listener of this.#listeners) listener(message);
    else this.#waiting.get(message.id)?.(message);
  }
}
