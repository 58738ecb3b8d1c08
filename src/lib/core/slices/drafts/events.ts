import type { DocumentId, Instant } from '../../model/ids';

/** What happens to unsaved text. */
export type DraftEvents = {
  'draft-kept': { document: DocumentId; text: string; at: Instant };
  'drafts-saved': { documents: readonly DocumentId[] };
  /** The text went back to the saved one, so that there is nothing to keep. */
  'draft-undone': { document: DocumentId };
  /** Offered drafts were turned down; they are kept with what ended, as `entry`. */
  'drafts-discarded': { documents: readonly DocumentId[]; entry: string };
};
