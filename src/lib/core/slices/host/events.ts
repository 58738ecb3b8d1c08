import type { ApplicationId, DocumentId, Instant } from '../../model/ids';
import type { LiveHost } from './state';

/** A program of a live host's, as it is there. */
export interface FoundApplication {
  readonly id: ApplicationId;
  readonly name: string;
  readonly monogram: string;
  readonly hue: number;
  readonly home: DocumentId;
}

/** What happens to a live host itself. */
export type HostEvents = {
  /** It is there, and this is what it is. */
  'host-came': { host: Omit<LiveHost, 'kind' | 'awaySince'> };
  /** It is away: everything stays as it was last known. */
  'host-went': { at: Instant };
  /** It has these programs, which do not run yet, or they are called so now. */
  'applications-found': { applications: readonly FoundApplication[] };
};

/** The kind of the documents that stand for whatever a live host's windows show. */
export const OUTSIDE = 'outside';
