import type { DocumentId, Instant } from '../../model/ids';
import type { Table } from '../../model/table';

/** Edited text of a document that was not saved yet. */
export interface Draft {
  /** The document's. */
  readonly id: DocumentId;
  readonly text: string;
  readonly at: Instant;
}

/** The fields of this slice. */
export interface DraftsState {
  readonly drafts: Table<Draft>;
}
