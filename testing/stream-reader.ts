import { eventStream, type Followed, type StreamedLog } from '../src/lib/server/store/event-stream';

/** Someone who reads the stream of events of some sessions. */
export class StreamReader {
  heard = '';
  readonly #reader: ReadableStreamDefaultReader<Uint8Array>;
  readonly #decoder = new TextDecoder();

  constructor(store: StreamedLog, followed: Followed[], how: { named?: boolean; patience?: number } = {}) {
    this.#reader = eventStream(store, followed, { named: false, ...how }).getReader();
  }

  async until(text: string): Promise<string> {
    while (!this.heard.includes(text)) {
      const { value, done } = await this.#reader.read();
      if (done) throw new Error(`The stream ended before '${text}'. It said: ${this.heard}`);
      this.heard += this.#decoder.decode(value);
    }
    return this.heard;
  }

  get numbers(): number[] {
    return [...this.heard.matchAll(/^id: (\d+)$/gm)].map(([, number]) => Number(number));
  }

  close(): Promise<void> {
    return this.#reader.cancel();
  }
}
