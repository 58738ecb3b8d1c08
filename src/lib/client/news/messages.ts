/** What pages and the worker that listens for all of them say to each other. */
import type { Report } from '../../core/protocol/report';

/** A session to follow, after the event with this number. */
export interface Followed {
  readonly session: string;
  readonly after: number;
}

/** What a page tells the worker. */
export type FromPage =
  /** Tell me what happens in a session after an event. */
  | ({ readonly type: 'follow' } & Followed)
  /** I am still there, and have heard up to here. */
  | ({ readonly type: 'here' } & Followed)
  | { readonly type: 'leave' };

/** What a page hears of the session that it follows. */
export type News =
  | { readonly type: 'stored'; readonly report: Report }
  /** The session was deleted. */
  | { readonly type: 'gone' }
  /** It was locked. */
  | { readonly type: 'locked' }
  /** The server's log does not follow what the page knows: load the session anew. */
  | { readonly type: 'afresh' }
  /** Whether the server is heard. */
  | { readonly type: 'heard' | 'unheard' };

/** What the worker tells a page: news, and now and then a question. */
export type ToPage = News | { readonly type: 'still-there' };
