import { connect } from 'node:net';
import WebSocket from 'ws';
import type { Door } from './doors';
import { Frames } from './frames';

/** An answer is waited for so long, in ms, unless something else is said. */
const ANSWER_MS = 5_000;
/** Messages are at most so long, in bytes. */
const LARGEST_MESSAGE = 64 * 1024 * 1024;

/** Something of a browser did not answer in time. */
export class NoAnswer extends Error {}

/** What a browser tells of its own accord. */
export interface BrowserEvent {
  readonly method: string;
  readonly params: Readonly<Record<string, unknown>>;
  /** The session that it is about. */
  readonly session: string | undefined;
}

interface Message {
  readonly id?: number;
  readonly method?: string;
  readonly params?: Readonly<Record<string, unknown>>;
  readonly result?: unknown;
  readonly error?: { readonly message?: string };
  readonly sessionId?: string;
}

const GONE = 'The browser is gone.';

interface Waiting {
  answer(result: unknown): void;
  fail(error: Error): void;
}

/** Speaks a browser's debugging protocol, with flat sessions. */
export class BrowserWire {
  readonly #waiting = new Map<number, Waiting>();
  readonly #listeners = new Set<(event: BrowserEvent) => void>();
  #last = 0;
  #isGone = false;
  #lost: () => void = () => undefined;
  /** Resolves when nothing more comes. */
  readonly gone = new Promise<void>((resolve) => (this.#lost = resolve));

  private constructor(
    readonly write: (message: string) => void,
    readonly close: () => void,
  ) {}

  /** Connects. @throws if there is nobody behind that door */
  static open(door: Door): Promise<BrowserWire> {
    return new Promise((resolve, reject) => {
      if (door.kind === 'port') {
        const socket = new WebSocket(door.url, { perMessageDeflate: false, maxPayload: LARGEST_MESSAGE });
        const wire = new BrowserWire(
          (message) => socket.send(message),
          () => socket.terminate(),
        );
        socket.once('open', () => resolve(wire));
        socket.on('message', (data: Buffer) => wire.#hear(data.toString()));
        socket.on('error', reject);
        socket.once('close', () => wire.#end());
        return;
      }
      const socket = connect(door.path);
      const frames = new Frames();
      const wire = new BrowserWire(
        (message) => socket.write(`${message}\0`),
        () => socket.destroy(),
      );
      socket.once('connect', () => resolve(wire));
      socket.on('data', (bytes) => {
        for (const message of frames.take(bytes)) wire.#hear(message);
      });
      socket.on('error', reject);
      socket.once('close', () => wire.#end());
    });
  }

  /**
   * Sends a command and resolves with its result.
   * @param ms how long the answer is waited for
   * @throws NoAnswer if it does not come in time; Error with what the browser says, or that it is gone
   */
  send(method: string, params: object = {}, session?: string, ms = ANSWER_MS): Promise<unknown> {
    if (this.#isGone) return Promise.reject(new Error(GONE));
    const id = ++this.#last;
    return new Promise((resolve, reject) => {
      const end = () => {
        clearTimeout(timer);
        this.#waiting.delete(id);
      };
      const timer = setTimeout(() => {
        end();
        reject(new NoAnswer(`${method}: no answer within ${ms} ms`));
      }, ms);
      this.#waiting.set(id, {
        answer: (result) => (end(), resolve(result)),
        fail: (error) => (end(), reject(error)),
      });
      this.write(
        JSON.stringify({ id, method, params, ...(session !== undefined && { sessionId: session }) }),
      );
    });
  }

  /** Calls `heard` with everything that the browser tells of its own accord, until the function it returns is called. */
  onEvent(heard: (event: BrowserEvent) => void): () => void {
    this.#listeners.add(heard);
    return () => void this.#listeners.delete(heard);
  }

  #hear(text: string): void {
    const message = messageIn(text);
    if (!message) return this.close();
    const { id, method, params = {}, result, error, sessionId } = message;
    if (id !== undefined) {
      const waiting = this.#waiting.get(id);
      if (error) waiting?.fail(new Error(error.message ?? 'The browser would not.'));
      else waiting?.answer(result);
    } else if (method !== undefined)
      for (const heard of [...this.#listeners]) heard({ method, params, session: sessionId });
  }

  #end(): void {
    this.#isGone = true;
    for (const waiting of [...this.#waiting.values()]) waiting.fail(new Error(GONE));
    this.#lost();
  }
}

/** Null for what is no message: whoever sends that is no browser. */
function messageIn(text: string): Message | null {
  try {
    const message: unknown = JSON.parse(text);
    return typeof message === 'object' ? message : null;
  } catch {
    return null;
  }
}
