import { lastOf, type Report } from '../../core/protocol/report';
import type { FollowedLog } from './followed-log';
import type { News } from './publisher';

/** What a feed says: batches, that the session is gone or locked, or that the page must load it afresh. */
export type FeedMessage =
  | { readonly type: 'stored'; readonly reports: readonly Report[] }
  | { readonly type: 'gone' | 'afresh' | 'locked' };

/** Batches that are read from the log at once. */
const PAGE = 100;

/** Where a feed's messages go. */
export interface Outlet {
  /** Takes a message; answers false if the reader does not keep up and nothing more should be sent for now. */
  send(message: FeedMessage): boolean;
  failed(error: unknown): void;
}

/**
 * One session's news after an event, in order and without a gap. What is published goes out as it is; the log is read
 * only to catch up, page by page, and no faster than the reader reads.
 */
export class Feed {
  #sent: number;
  #open = true;
  /** True while the outlet takes no more. */
  #blocked = false;
  #catchingUp = false;
  /** True when something was published that was not sent. */
  #behind = true;
  readonly #unsubscribe: () => void;

  constructor(
    readonly store: FollowedLog,
    readonly session: string,
    after: number,
    readonly outlet: Outlet,
  ) {
    this.#sent = after;
    this.#unsubscribe = store.publisher.subscribe(session, (news) => this.#hear(news));
  }

  /** Sends what was written down already; the reader may have more. */
  resume(): void {
    this.#blocked = false;
    if (this.#behind) void this.#catchUp();
  }

  /** Says nothing more. */
  close(): void {
    this.#open = false;
    this.#unsubscribe();
  }

  #hear(news: News): void {
    if (news === 'gone' || news === 'locked') return this.#end({ type: news });
    if (news !== 'more' && !this.#blocked && !this.#catchingUp) this.#send(goingOn(news, this.#sent));
    this.#behind ||= news === 'more' || news.some((report) => lastOf(report) > this.#sent);
    if (!this.#blocked && this.#behind) void this.#catchUp();
  }

  #send(reports: readonly Report[]): void {
    const last = reports.at(-1);
    if (!last) return;
    this.#sent = lastOf(last);
    this.#blocked = !this.outlet.send({ type: 'stored', reports });
  }

  #end(message: FeedMessage): void {
    if (!this.#open) return;
    this.outlet.send(message);
    this.close();
  }

  async #catchUp(): Promise<void> {
    if (this.#catchingUp || !this.#open) return;
    this.#catchingUp = true;
    try {
      while (this.#behind && !this.#blocked && this.#open) await this.#nextPage();
    } catch (error) {
      this.close();
      this.outlet.failed(error);
    } finally {
      this.#catchingUp = false;
    }
  }

  async #nextPage(): Promise<void> {
    if (this.store.isLocked(this.session)) return this.#end({ type: 'locked' });
    this.#behind = false;
    const page = await this.store.after(this.session, this.#sent, PAGE);
    if (!this.#open) return;
    if (page.length === PAGE) this.#behind = true;
    for (const report of page) {
      if (report.first > this.#sent + 1) return this.#end({ type: 'afresh' });
      if (this.#blocked) {
        this.#behind = true;
        return;
      }
      this.#send([report]);
    }
    if (page.length === 0) await this.#checkEnd();
  }

  /** A number beyond the log, or before what is kept of it: the page knows another history than the store. */
  async #checkEnd(): Promise<void> {
    const last = await this.store.last(this.session);
    if (last === null) return this.#end({ type: 'gone' });
    if (last === this.#sent) return;
    const [next] = await this.store.after(this.session, this.#sent, 1);
    if (next) this.#behind = true;
    else this.#end({ type: 'afresh' });
  }
}

/**
 * What of some news goes on from an event, without a gap and without a repetition: what this server wrote and what it
 * read of others may have been gathered in any order. The very same list where that is all of it.
 */
function goingOn(news: readonly Report[], after: number): readonly Report[] {
  let last = after;
  const next = news.filter((report) => {
    const follows = report.first === last + 1;
    if (follows) last = lastOf(report);
    return follows;
  });
  return next.length === news.length ? news : next;
}
