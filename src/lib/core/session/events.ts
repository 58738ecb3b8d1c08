/** What happened. A host says it, {@link reduce} applies it, the store keeps it for good. */
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
  | { readonly type: 'application-hidden'; readonly application: ApplicationId }
  | { readonly type: 'application-shown'; readonly application: ApplicationId }
  | { readonly type: 'application-stopped-answering'; readonly application: ApplicationId }
  /** A resident application started anew: its windows stay, drafts in them are offered. */
  | { readonly type: 'application-restarted'; readonly application: ApplicationId }
  /** It ended with all its windows; unsaved drafts stay. */
  | { readonly type: 'application-ended'; readonly application: ApplicationId }
  | { readonly type: 'quit-begun'; readonly application: ApplicationId }
  | { readonly type: 'quit-cancelled'; readonly application: ApplicationId }
  /** The window is there, at the end of the order of recent use and at the bottom of the pile. */
  | { readonly type: 'window-opened'; readonly window: Window }
  | { readonly type: 'window-fronted'; readonly window: WindowId; readonly at: Instant }
  | { readonly type: 'window-minimised'; readonly window: WindowId }
  | { readonly type: 'window-restored'; readonly window: WindowId }
  | { readonly type: 'window-placed'; readonly window: WindowId; readonly geometry: Geometry }
  | { readonly type: 'window-closed'; readonly window: WindowId }
  | { readonly type: 'windows-restacked'; readonly stacking: readonly WindowId[] }
  | {
      readonly type: 'tab-retitled';
      readonly window: WindowId;
      readonly tab: TabId;
      readonly title: string;
    }
  | { readonly type: 'tab-activated'; readonly window: WindowId; readonly tab: TabId }
  | { readonly type: 'closing-asked'; readonly window: WindowId; readonly goal: 'close' | 'quit' }
  | { readonly type: 'closing-settled'; readonly window: WindowId; readonly answer: 'drop' | 'keep-open' }
  | {
      readonly type: 'draft-kept';
      readonly document: DocumentId;
      readonly text: string;
      readonly at: Instant;
    }
  | { readonly type: 'draft-saved'; readonly document: DocumentId }
  | { readonly type: 'draft-dropped'; readonly document: DocumentId }
  | { readonly type: 'draft-taken-up'; readonly window: WindowId }
  | { readonly type: 'workspace-entered'; readonly workspace: WorkspaceId }
  | { readonly type: 'put-away'; readonly entry: PutAway }
  /** The newest `levels` entries left the put-back stack. */
  | { readonly type: 'put-back'; readonly levels: number }
  /** The newest ended thing was reopened and leaves the list. */
  | { readonly type: 'ended-reopened' }
  | { readonly type: 'settings-changed'; readonly settings: Settings }
  | {
      readonly type: 'choice-learned';
      readonly letters: string;
      readonly choice: string;
      readonly at: Instant;
    }
  | { readonly type: 'choices-forgotten'; readonly choice: string | null };

export type EventType = Event['type'];
