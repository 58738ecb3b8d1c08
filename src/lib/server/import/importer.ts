import { resolve } from 'node:path';
import { Worker } from 'node:worker_threads';
import { busy, Problem } from '../http/problem';
import type { ImportAnswer, Imported, ImportRequest } from './messages';

/** Documents that may wait to be checked. */
const MOST_WAITING = 16;
/** A document that takes longer than this, in ms, is not taken. */
const LONGEST_MS = 30_000;
const MEMORY_MB = 768;

interface Waiting {
  readonly body: Uint8Array;
  readonly settle: (imported: Imported) => void;
  readonly fail: (error: unknown) => void;
}

/**
 * Checks session documents one after the other in a thread of its own, so that the largest one keeps nobody waiting
 * but other importers. A thread that breaks or takes too long is replaced.
 */
export class Importer {
  readonly #waiting: Waiting[] = [];
  #worker: Worker | null = null;
  #current: Waiting | null = null;
  #count = 0;
  #deadline: ReturnType<typeof setTimeout> | undefined;

  /** @param script the built worker */
  constructor(readonly script: string) {}

  /**
   * What a document holds.
   * @throws Problem `not-json`, `not-a-session-document`, `session-too-large`; `busy` if many wait already.
   */
  check(body: Uint8Array): Promise<Imported> {
    if (this.#waiting.length >= MOST_WAITING) return Promise.reject(busy('Many documents wait already.', 5));
    return new Promise((settle, fail) => {
      this.#waiting.push({ body, settle, fail });
      this.#next();
    });
  }

  #next(): void {
    if (this.#current) return;
    const next = this.#waiting.shift();
    if (!next) return;
    this.#current = next;
    this.#count += 1;
    this.#deadline = setTimeout(() => this.#broke(new Error('It took too long.')), LONGEST_MS);
    this.#worker ??= this.#start();
    const { body } = next;
    this.#worker.postMessage({ id: this.#count, body } satisfies ImportRequest);
  }

  #start(): Worker {
    const worker = new Worker(resolve(this.script), {
      resourceLimits: { maxOldGenerationSizeMb: MEMORY_MB },
    });
    worker.unref();
    worker.on('message', (answer: ImportAnswer) => {
      if (worker === this.#worker && answer.id === this.#count) this.#answered(answer);
    });
    worker.on('error', (error) => worker === this.#worker && this.#broke(error));
    return worker;
  }

  #answered(answer: ImportAnswer): void {
    const current = this.#done();
    if ('session' in answer) current?.settle(answer);
    else current?.fail(new Problem(answer.problem.type, answer.problem.detail, answer.problem.errors));
    this.#next();
  }

  #broke(error: Error): void {
    console.error('A document could not be checked:', error);
    void this.#worker?.terminate();
    this.#worker = null;
    this.#done()?.fail(new Problem('session-too-large', 'The document is too large to be checked.'));
    this.#next();
  }

  #done(): Waiting | null {
    clearTimeout(this.#deadline);
    const current = this.#current;
    this.#current = null;
    return current;
  }
}
