import { lastOf } from '../../core/protocol/report';
import type { FollowedLog } from './followed-log';

/** Batches that are read at once. A server tells of the first that it wrote: after a full page there may be more. */
const MOST_READ = 100;

/** What is known of a session of which other servers told. */
interface Told {
  /** Up to which event it was read. */
  upTo: number;
  /** The latest event of which was told. */
  latest: number;
  reading: boolean;
}

/** Reads what other servers wrote: once for all who follow the session here, however often others tell meanwhile. */
export class NewsOfOthers {
  readonly #told = new Map<string, Told>();

  constructor(readonly log: Pick<FollowedLog, 'publisher' | 'after'>) {}

  /** Another server says that it wrote to a session, from an event on. Resolves when all of it was told here. */
  async wrote(session: string, first: number): Promise<void> {
    const { publisher } = this.log;
    if (!publisher.isFollowed(session)) return this.forget(session);
    const told = this.#told.get(session) ?? { upTo: 0, latest: 0, reading: false };
    this.#told.set(session, told);
    told.latest = Math.max(told.latest, first);
    if (told.reading || first <= told.upTo) return;
    told.reading = true;
    try {
      let full = false;
      for (let next = first; full || next <= told.latest; next = told.upTo + 1) {
        const written = await this.log.after(session, next - 1, MOST_READ);
        full = written.length === MOST_READ;
        const last = written.at(-1);
        told.upTo = Math.max(next, last ? lastOf(last) : 0);
        if (last) publisher.tell(session, written);
      }
    } catch {
      // Whoever follows reads for itself then, and hears what is wrong.
      publisher.tellMore(session);
    } finally {
      told.reading = false;
    }
  }

  /** The session is gone, or nobody follows it. */
  forget(session: string): void {
    this.#told.delete(session);
  }
}
