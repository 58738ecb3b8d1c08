/**
 * What happened. A host says it, {@link reduce} applies it, the store keeps it for good. What happens to a family of
 * windows or applications is one event, so that it is reduced once, however many they are.
 */
import type {
  ApplicationId,
  DocumentId,
  Geometry,
  Instant,
  PutAway,
  Settings,
  TabId,
  Window,
  WindowId,
  WorkspaceId,
} from './session';

export type Event =
  | { readonly type: 'application-launched'; readonly application: ApplicationId }
  | { readonly type: 'applications-hidden'; readonly applications: readonly ApplicationId[] }
  | { readonly type: 'applications-shown'; readonly applications: readonly ApplicationId[] }
  | { readonly type: 'application-stopped-answering'; readonly application: ApplicationId }
  /** A resident application started anew: its windows stay, drafts in them are offered. */
  | { readonly type: 'application-restarted'; readonly application: ApplicationId }
  /** It ended with all its windows; drafts stay, but for the discarded, which are kept with what ended. */
  | {
      readonly type: 'application-ended';
      readonly application: ApplicationId;
      readonly discarded: readonly DocumentId[];
    }
  | { readonly type: 'quit-begun'; readonly application: ApplicationId }
  | { readonly type: 'quit-cancelled'; readonly application: ApplicationId }
  /** They are there, at the end of the order of recent use and at the bottom of the pile, the first one topmost. */
  | { readonly type: 'windows-opened'; readonly windows: readonly Window[] }
  | { readonly type: 'window-fronted'; readonly window: WindowId; readonly at: Instant }
  | { readonly type: 'windows-minimised'; readonly windows: readonly WindowId[] }
  | { readonly type: 'windows-restored'; readonly windows: readonly WindowId[] }
  | { readonly type: 'windows-placed'; readonly places: readonly PlacedWindow[] }
  /** They closed together; drafts that were discarded with them are kept with what ended. */
  | {
      readonly type: 'windows-closed';
      readonly windows: readonly WindowId[];
      readonly discarded: readonly DocumentId[];
    }
  | { readonly type: 'windows-restacked'; readonly stacking: readonly WindowId[] }
  | {
      readonly type: 'tab-retitled';
      readonly window: WindowId;
      readonly tab: TabId;
      readonly title: string;
    }
  | { readonly type: 'tab-activated'; readonly window: WindowId; readonly tab: TabId }
  | {
      readonly type: 'closing-asked';
      readonly windows: readonly WindowId[];
      readonly goal: 'close' | 'quit';
    }
  | { readonly type: 'closing-settled'; readonly window: WindowId; readonly answer: 'drop' | 'keep-open' }
  | {
      readonly type: 'draft-kept';
      readonly document: DocumentId;
      readonly text: string;
      readonly at: Instant;
    }
  | { readonly type: 'drafts-saved'; readonly documents: readonly DocumentId[] }
  /** The text went back to the saved one, so that there is nothing to keep. */
  | { readonly type: 'draft-undone'; readonly document: DocumentId }
  /** Offered drafts were turned down; they are kept with what ended. */
  | { readonly type: 'drafts-discarded'; readonly documents: readonly DocumentId[] }
  /** Whether these windows offer the drafts of their documents. */
  | { readonly type: 'offers-changed'; readonly windows: readonly WindowId[]; readonly offering: boolean }
  | { readonly type: 'workspace-entered'; readonly workspace: WorkspaceId }
  | { readonly type: 'put-away'; readonly entry: PutAway }
  /** The newest `levels` entries left the put-back stack. */
  | { readonly type: 'put-back'; readonly levels: number }
  /** The newest ended thing leaves the list; drafts that were discarded with it are drafts again, if none is newer. */
  | { readonly type: 'ended-reopened' }
  | { readonly type: 'settings-changed'; readonly settings: Settings }
  | {
      readonly type: 'choice-learned';
      readonly letters: string;
      readonly choice: string;
      readonly at: Instant;
    }
  | { readonly type: 'choices-forgotten'; readonly choice: string | null };

export interface PlacedWindow {
  readonly window: WindowId;
  readonly geometry: Geometry;
}
