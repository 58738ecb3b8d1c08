import type { ApplicationId, DocumentId, Instant } from '../../model/ids';
import type { Table } from '../../model/table';

/** A program of the session, whether it runs or not. */
export interface Application {
  readonly id: ApplicationId;
  readonly name: string;
  /** Two letters that stand for the application where its name does not fit. */
  readonly monogram: string;
  /** The hue of its spine, in degrees on the colour circle. */
  readonly hue: number;
  readonly running: boolean;
  readonly hidden: boolean;
  readonly answering: boolean;
  /** Since when it has not answered; only while it does not, and as far as that is known. */
  readonly silentSince?: Instant;
  /** A resident application can be restarted but not quit. */
  readonly resident: boolean;
  /** Whether closing its last window ends it. */
  readonly quitsWithLastWindow: boolean;
  /** True while it waits for answers before it quits. */
  readonly quitting: boolean;
  /** The kinds of documents that it opens besides those that it has. */
  readonly opens?: readonly string[];
  /** What it opens when it is launched. */
  readonly home: DocumentId;
}

/** The fields of this slice. */
export interface ApplicationsState {
  /** Everything that can run, whether it runs or not. */
  readonly applications: Table<Application>;
}
