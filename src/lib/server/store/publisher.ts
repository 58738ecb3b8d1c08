import type { Report } from '../../core/protocol/report';
import { Subscribers } from './subscribers';

/**
 * What those who follow a session hear: batches that were stored, in order, that the session is gone, or that there may
 * be more than was told; or that it is locked, after which they hear nothing.
 */
export type News = readonly Report[] | 'gone' | 'more' | 'locked';

/** Where more than this many listen, what happens within so many ms is told at once. */
const CROWD = 20;
const GATHERED_MS = 20;

/** Tells those who follow a session what was stored, after whoever gave the command was answered. */
export class Publisher {
  readonly #subscribers = new Subscribers<News>();
  /** What was stored and is about to be told. */
  readonly #gathered = new Map<string, Report[]>();

  /** Calls `listener` with every news of a session until the returned function is called. */
  subscribe(session: string, listener: (news: News) => void): () => void {
    return this.#subscribers.subscribe(session, listener);
  }

  /** The sessions that somebody follows. */
  get followed(): string[] {
    return this.#subscribers.topics;
  }

  /** Whether somebody follows a session. */
  isFollowed(session: string): boolean {
    return this.#subscribers.count(session) > 0;
  }

  /** A crowd of listeners hears of several batches in one go. */
  tell(session: string, reports: readonly Report[]): void {
    const gathered = this.#gathered.get(session);
    if (gathered) return void gathered.push(...reports);
    this.#gathered.set(session, [...reports]);
    const tell = () => {
      const news = this.#gathered.get(session) ?? [];
      this.#gathered.delete(session);
      this.#subscribers.publish(session, news);
    };
    if (this.#subscribers.count(session) > CROWD) setTimeout(tell, GATHERED_MS);
    else setImmediate(tell);
  }

  /** Something may have been missed. */
  tellMore(session: string): void {
    this.#subscribers.publish(session, 'more');
  }

  /** The session was locked. */
  tellLocked(session: string): void {
    this.#subscribers.publish(session, 'locked');
  }

  /** The session was deleted. */
  tellGone(session: string): void {
    this.#subscribers.publish(session, 'gone');
  }
}
