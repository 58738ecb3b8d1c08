import type { TallyQuestion } from '../../core/tally/tally';
import { switchesAddress } from '../session-api';
import type { FromTallyWorker, ToTallyWorker } from './messages';

/** Asks a worker of its own for the tally of a session's history. */
export class TallyAsker {
  readonly #worker = new Worker(new URL('./tally-worker.ts', import.meta.url), { type: 'module' });
  /** Questions that are not answered yet. */
  #open = 0;

  /** @param hear is told what was read, what went wrong, and of answers that to the last question alone */
  constructor(
    readonly session: string,
    hear: (news: FromTallyWorker) => void,
  ) {
    this.#worker.onmessage = ({ data }: MessageEvent<FromTallyWorker>) => {
      if (data.type === 'answer') this.#open -= 1;
      if (data.type !== 'answer' || this.#open === 0) hear(data);
    };
    this.#worker.onerror = () => hear({ type: 'failed', keyNeeded: false });
  }

  /** Reads the history as it is now. */
  read(): void {
    const { href } = new URL(switchesAddress(this.session, { as: 'arrow' }), location.href);
    this.#say({ type: 'read', address: href });
  }

  /** Asks about what was read last. */
  ask(question: TallyQuestion): void {
    this.#open += 1;
    this.#say({ type: 'ask', question });
  }

  /** Ends the worker. */
  stop(): void {
    this.#worker.terminate();
  }

  #say(message: ToTallyWorker): void {
    this.#worker.postMessage(message);
  }
}
