/** What pages and the worker that listens for all of them say to each other. */
import type { Confirmation } from '../../core/replica/replica';

export type FromPage =
  /** Tell me what happens in a session after an event. `alive` names a lock that the page holds as long as it lives. */
  | { readonly type: 'follow'; readonly session: string; readonly after: number; readonly alive: string }
  | { readonly type: 'leave' };

export type News =
  | { readonly type: 'stored'; readonly confirmation: Confirmation }
  /** The session was deleted. */
  | { readonly type: 'gone' }
  /** The server's log does not follow what the page knows: load the session anew. */
  | { readonly type: 'afresh' }
  /** Whether the server is heard. */
  | { readonly type: 'heard' | 'unheard' };
