/** A client of the server's interface that tries again for as long as it takes, whatever happens to the server. */
import { setTimeout as pause } from 'node:timers/promises';
import type { Batch } from '../src/lib/core/commands/commands';
import type { Report } from '../src/lib/core/protocol/report';

/** Between two attempts, in ms. */
const PAUSE_MS = 20;

export class PatientClient {
  /** @param url the server's, of which each later one on the same port is one too */
  constructor(readonly url: string) {}

  /** Sends the same batch until it is acknowledged. @throws Error if it is answered otherwise. */
  async post(session: string, batch: Batch): Promise<Report> {
    for (;;) {
      const report = await this.#postOnce(session, batch);
      if (report) return report;
      await pause(PAUSE_MS);
    }
  }

  async #postOnce(session: string, batch: Batch): Promise<Report | null> {
    try {
      const response = await fetch(`${this.url}/api/sessions/${session}/commands`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(batch),
      });
      if (response.status === 503) return null;
      if (!response.ok)
        throw new Error(`The batch was answered ${response.status}: ${await response.text()}`);
      return (await response.json()) as Report;
    } catch (error) {
      if (error instanceof TypeError || error instanceof SyntaxError) return null;
      throw error;
    }
  }

  /** What is at a path now; null if that cannot be told. */
  async get<T>(path: string): Promise<T | null> {
    try {
      const response = await fetch(this.url + path);
      return response.ok ? ((await response.json()) as T) : null;
    } catch {
      return null;
    }
  }

  /** Follows a session as a browser does, resuming after the last message that came whole; keeps what each said. */
  async listen(session: string, heard: Report[], going: () => boolean): Promise<void> {
    let last = 0;
    while (going()) {
      try {
        const response = await fetch(`${this.url}/api/sessions/${session}/events?after=${last}`);
        if (!response.ok || !response.body) throw new Error(`The server answered ${response.status}.`);
        const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
        let text = '';
        while (going()) {
          const { value, done } = await reader.read();
          if (done) break;
          text += value;
          const messages = text.split('\n\n');
          text = messages.pop() ?? '';
          for (const message of messages) {
            const data = /^data: (.*)$/m.exec(message)?.[1];
            if (!data) continue;
            heard.push(JSON.parse(data) as Report);
            last = Number(/^id: (\d+)$/m.exec(message)?.[1]);
          }
        }
        await reader.cancel();
      } catch {
        await pause(PAUSE_MS);
      }
    }
  }
}
