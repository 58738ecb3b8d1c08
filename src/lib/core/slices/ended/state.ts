import type { ApplicationId, DocumentId, Instant, TabId, WindowId } from '../../model/ids';
import type { AppWindow } from '../windows/state';

/** A document with the draft that was thrown away of it. */
export interface DiscardedDraft {
  readonly document: DocumentId;
  readonly draft: { readonly text: string; readonly at: Instant };
}

/**
 * Windows that closed together, a tab, an application that ended with all its windows, or a draft that was turned down,
 * kept so that it can be reopened.
 */
export interface Ended {
  readonly id: string;
  readonly kind: 'window' | 'tab' | 'application' | 'draft';
  readonly application: ApplicationId;
  /** The windows that ended, most recent first; none for a tab or a draft. */
  readonly windows: readonly AppWindow[];
  /** The tab that closed, and its window as it was before that; absent for all others. */
  readonly tab?: { readonly id: TabId; readonly window: AppWindow };
  /** The whole stacking before the end, bottom first. */
  readonly stacking: readonly WindowId[];
  readonly hidden: boolean;
  /** What was discarded with it, offered again when it is reopened. */
  readonly discarded: readonly DiscardedDraft[];
}

/** The fields of this slice. */
export interface EndedState {
  /** What ended and can be reopened, oldest first. */
  readonly ended: readonly Ended[];
}
