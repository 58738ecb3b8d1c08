/** What a page and the worker of its tally say to each other. */
import type { Tally, TallyQuestion } from '../../core/tally/tally';

/** To the worker: to read the history anew, or a question about what it has read. */
export type ToTallyWorker =
  | { readonly type: 'read'; readonly address: string }
  | { readonly type: 'ask'; readonly question: TallyQuestion };

/** From the worker. Each question is answered once, in order, as soon as a history is there. */
export type FromTallyWorker =
  /** `first`: when the oldest switch was, in ms; null where there is none. */
  | { readonly type: 'read'; readonly switches: number; readonly first: number | null }
  | { readonly type: 'answer'; readonly tally: Tally }
  | { readonly type: 'failed'; readonly keyNeeded: boolean };
