import type { XEvent } from 'x11';
import { isStopped } from '../processes';
import type { XWindow } from './read-window';
import type { XDisplay } from './x-display';

/** How often each program is asked whether it answers, and how long it has for that, in ms. */
const ASK_MS = 10_000;
const ANSWER_MS = 3_000;

/**
 * Whether programs answer: by the ping of EWMH 1.5 (_NET_WM_PING) where they take part in it, and by the state of their
 * process where that is on this machine. One window speaks for all of its process.
 */
export class Answering {
  readonly #asked = new Map<string, () => void>();
  readonly #timer: ReturnType<typeof setInterval>;
  readonly #endListening: () => void;
  #ping = 0;
  #protocols = 0;

  constructor(readonly display: XDisplay) {
    this.#endListening = display.connection.onEvent((event) => this.#on(event));
    this.#timer = setInterval(() => void this.askAll(), ASK_MS);
    this.#timer.unref();
  }

  /** Asks every program once. */
  async askAll(): Promise<void> {
    const byProcess = new Map<number, XWindow[]>();
    for (const window of this.display.windows.values()) {
      const key = window.pid ?? -window.xid;
      byProcess.set(key, [...(byProcess.get(key) ?? []), window]);
    }
    await Promise.all([...byProcess].map(([pid, windows]) => this.#ask(pid, windows)));
  }

  stop(): void {
    clearInterval(this.#timer);
    this.#endListening();
  }

  async #ask(pid: number, windows: readonly XWindow[]): Promise<void> {
    const asked = windows.find(({ protocols }) => protocols.has('_NET_WM_PING'));
    const answers = !(pid > 0 && isStopped(pid)) && (!asked || (await this.#answers(asked)));
    for (const { xid } of windows) this.display.setAnswering(xid, answers);
  }

  async #answers({ xid }: XWindow): Promise<boolean> {
    const { connection } = this.display;
    this.#ping = await connection.atom('_NET_WM_PING');
    this.#protocols = await connection.atom('WM_PROTOCOLS');
    const time = await connection.now();
    return new Promise((resolve) => {
      const key = `${xid}:${time}`;
      const end = (answered: boolean) => {
        clearTimeout(timer);
        this.#asked.delete(key);
        resolve(answered);
      };
      const timer = setTimeout(() => end(!this.display.windows.has(xid)), ANSWER_MS);
      this.#asked.set(key, () => end(true));
      void connection.tellClient(xid, '_NET_WM_PING', [time, xid]);
    });
  }

  /** The answer is the same message, sent to the root window. */
  #on({ name, message_type: type, data = [] }: XEvent): void {
    if (name !== 'ClientMessage' || type !== this.#protocols || data[0] !== this.#ping) return;
    this.#asked.get(`${data[2]}:${data[1]}`)?.();
  }
}
