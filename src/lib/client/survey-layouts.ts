import { layOut, type LayRequest, type Sheeted } from '../core/survey/survey';

/** Windows that are laid out at once, without asking anybody: it takes no longer than a key. */
const AT_ONCE = 100;

/** Lays surveys out: a few windows at once, many in a worker. What is asked for last is answered, and may be all that is. */
export class SurveyLayouts {
  #worker: Worker | null = null;
  /** What waits while the worker is at something else. */
  #next: LayRequest | null = null;
  #asked: LayRequest | null = null;
  #busy = false;

  constructor(readonly answer: (sheet: Sheeted) => void) {}

  /** Answers now, or later. */
  layOut(request: LayRequest): void {
    if (request.windows.length <= AT_ONCE) return this.answer(layOut(request));
    if (this.#busy) this.#next = request;
    else this.#ask(request);
  }

  /** Ends the worker; what it was at is never answered. */
  stop(): void {
    this.#worker?.terminate();
    this.#worker = null;
    this.#next = null;
    this.#busy = false;
  }

  #ask(request: LayRequest): void {
    this.#worker ??= this.#started();
    this.#busy = true;
    this.#asked = request;
    this.#worker.postMessage(request);
  }

  #started(): Worker {
    const worker = new Worker(new URL('./survey-worker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<Sheeted>) => {
      this.#busy = false;
      this.answer(data);
      const next = this.#next;
      this.#next = null;
      if (next) this.layOut(next);
    };
    // Without the server it may not be there: then the page does it, however long that takes.
    worker.onerror = () => {
      const asked = this.#next ?? this.#asked;
      this.stop();
      if (asked) this.answer(layOut(asked));
    };
    return worker;
  }
}
