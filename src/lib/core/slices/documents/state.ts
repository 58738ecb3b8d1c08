import type { ApplicationId, DocumentId } from '../../model/ids';
import type { Table } from '../../model/table';

/** Something an application opens. (The platform's `Document` is another thing.) */
export interface AppDocument {
  readonly id: DocumentId;
  readonly title: string;
  readonly application: ApplicationId;
  /** Which stand-in shows it, e.g. `letter`; the core knows no kinds. */
  readonly kind: string;
  /** Its saved content, in an open format that fits the kind. */
  readonly text: string;
}

/** The fields of this slice. */
export interface DocumentsState {
  readonly documents: Table<AppDocument>;
}
