import { spawn, type ChildProcess } from 'node:child_process';
import { setTimeout as pause } from 'node:timers/promises';

/** One of Key Fold's scripts, running. */
export class Script {
  said = '';
  readonly ended: Promise<number | null>;
  readonly #child: ChildProcess;

  constructor(name: string, env: NodeJS.ProcessEnv, args: readonly string[] = []) {
    this.#child = spawn(process.execPath, [`scripts/${name}.mjs`, ...args], { env });
    for (const stream of [this.#child.stdout, this.#child.stderr])
      stream?.setEncoding('utf8').on('data', (text: string) => (this.said += text));
    this.ended = new Promise((resolve) => this.#child.on('exit', resolve));
  }

  /** Waits until it has said something. @throws Error if it ended before. */
  async says(text: string): Promise<void> {
    let ended = false;
    void this.ended.then(() => (ended = true));
    while (!this.said.includes(text)) {
      if (ended) throw new Error(`It ended before it said '${text}'. It said: ${this.said}`);
      await pause(50);
    }
  }

  /** As Ctrl+C does. */
  interrupt(): void {
    this.#child.kill('SIGINT');
  }
}
