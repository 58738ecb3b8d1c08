/** What someone wants. A host turns a command into events, or refuses it. */
import type { ApplicationId, DocumentId, Geometry, Instant, Settings, TabId, WindowId } from './session';

export type Wish =
  /**
   * Switching rule 9: shows, restores and goes to the workspace as needed; with `raiseAll` the application's
   * other windows are raised along with it, keeping their order.
   */
  | { readonly type: 'bring-to-front'; readonly window: WindowId; readonly raiseAll: boolean }
  /** Switching rule 10: the application's best window; opens one, or launches it, if need be. */
  | { readonly type: 'switch-to-application'; readonly application: ApplicationId }
  | { readonly type: 'open-window'; readonly application: ApplicationId; readonly inFront: boolean }
  | { readonly type: 'open-document'; readonly document: DocumentId }
  | { readonly type: 'minimise'; readonly window: WindowId }
  | { readonly type: 'minimise-all'; readonly application: ApplicationId }
  | { readonly type: 'hide-or-show'; readonly application: ApplicationId }
  | { readonly type: 'solo'; readonly application: ApplicationId }
  | { readonly type: 'sweep' }
  | { readonly type: 'put-back' }
  | { readonly type: 'close'; readonly window: WindowId }
  | { readonly type: 'close-all'; readonly application: ApplicationId }
  | { readonly type: 'quit'; readonly application: ApplicationId }
  | { readonly type: 'end-now'; readonly application: ApplicationId }
  | {
      readonly type: 'answer-closing';
      readonly window: WindowId;
      readonly answer: 'save' | 'drop' | 'keep-open';
    }
  | { readonly type: 'reopen' }
  | { readonly type: 'keep-draft'; readonly document: DocumentId; readonly text: string }
  | { readonly type: 'save'; readonly document: DocumentId }
  | { readonly type: 'answer-draft'; readonly window: WindowId; readonly answer: 'take-up' | 'drop' }
  | { readonly type: 'place-window'; readonly window: WindowId; readonly geometry: Geometry }
  | {
      readonly type: 'retitle-tab';
      readonly window: WindowId;
      readonly tab: TabId;
      readonly title: string;
    }
  /** The simulated world's way to make an application hang. */
  | { readonly type: 'stop-answering'; readonly application: ApplicationId }
  | { readonly type: 'change-settings'; readonly settings: Settings }
  | { readonly type: 'learn-choice'; readonly letters: string; readonly choice: string }
  /** Forgets what was learned about one choice, or about all of them. */
  | { readonly type: 'forget-choices'; readonly choice: string | null };

export type WishType = Wish['type'];

/** A wish with its own id (new windows are named after it) and the instant it was made. */
export type Command = Wish & { readonly id: string; readonly at: Instant };

/** Commands that take effect together or not at all; sending one twice changes nothing. */
export interface Batch {
  readonly id: string;
  readonly commands: readonly Command[];
}
