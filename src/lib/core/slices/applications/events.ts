import type { ApplicationId, DocumentId, Instant } from '../../model/ids';

/** What happens to applications. */
export type ApplicationEvents = {
  'application-launched': { application: ApplicationId };
  'applications-hidden': { applications: readonly ApplicationId[] };
  'applications-shown': { applications: readonly ApplicationId[] };
  /** `at`: since when; absent where nobody knows. */
  'application-stopped-answering': { application: ApplicationId; at?: Instant };
  'application-answers-again': { application: ApplicationId };
  /** A resident application started anew: its windows stay, drafts in them are offered. */
  'application-restarted': { application: ApplicationId };
  /**
   * It ended with all its windows, and is kept as `entry` so that it can be reopened; drafts stay, but for the
   * discarded, which are kept with it. Without an entry it cannot be reopened: a live host ended it.
   */
  'application-ended': { application: ApplicationId; discarded: readonly DocumentId[]; entry: string | null };
  'quit-begun': { application: ApplicationId };
  'quit-cancelled': { application: ApplicationId };
};
