import type { ApplicationId, DocumentId } from '../model/ids';
import type { Digit } from '../slices/places/state';

/** Something the person should hear that changes nothing. */
export type Notice =
  | { readonly type: 'stays-resident'; readonly application: ApplicationId }
  | { readonly type: 'does-not-answer'; readonly application: ApplicationId }
  | { readonly type: 'already-minimised' }
  | { readonly type: 'already-there' }
  | { readonly type: 'already-asking'; readonly application: ApplicationId }
  | { readonly type: 'not-hidden'; readonly application: ApplicationId }
  /** There is nothing of the kind that the action acts on. */
  | { readonly type: 'no-window-here' }
  | { readonly type: 'nothing-asks' }
  /** What it is about has gone. */
  | { readonly type: 'not-there' }
  /** This display cannot do it. */
  | { readonly type: 'host-cannot' }
  | { readonly type: 'nothing-to-put-away' }
  | { readonly type: 'nothing-to-put-back' }
  | { readonly type: 'nothing-to-restore' }
  | { readonly type: 'nothing-to-reopen' }
  /** No change of the index is left to undo. */
  | { readonly type: 'nothing-to-undo' }
  /** Another shortcut has that combination. */
  | { readonly type: 'chord-taken' }
  | { readonly type: 'too-many-shortcuts' }
  /** It runs, so it cannot be removed. */
  | { readonly type: 'still-runs'; readonly application: ApplicationId }
  | { readonly type: 'too-many-applications' }
  /** What a shortcut goes to is not there, and it opens nothing. */
  | { readonly type: 'nothing-to-go-to' }
  | { readonly type: 'not-in-index' }
  /** It has a place already. */
  | { readonly type: 'in-index'; readonly digit: Digit }
  | { readonly type: 'index-full' }
  | { readonly type: 'empty-index' }
  /** Nothing stands at that digit. */
  | { readonly type: 'empty-place'; readonly digit: Digit }
  /** Its only window is in front already (switching rule 15). */
  | { readonly type: 'only-window'; readonly application: ApplicationId }
  | { readonly type: 'nothing-to-forget' }
  | { readonly type: 'nothing-to-close'; readonly application: ApplicationId }
  /** It does not open documents of that kind. */
  | { readonly type: 'cannot-open'; readonly application: ApplicationId }
  | { readonly type: 'not-running'; readonly application: ApplicationId }
  /** The draft of a document is offered in a window, and nothing is written to it until that is answered. */
  | { readonly type: 'draft-waits'; readonly document: DocumentId }
  /** A discarded draft cannot come back while a newer one of the same document is there. */
  | { readonly type: 'newer-draft'; readonly document: DocumentId }
  /** The session has as many windows, or as much text, as it can hold. */
  | { readonly type: 'too-many-windows' }
  | { readonly type: 'too-many-documents' }
  | { readonly type: 'too-many-tabs' }
  | { readonly type: 'too-many-workspaces' }
  /** Another workspace is called so. */
  | { readonly type: 'name-taken' }
  /** It is the only one, and something has to be shown. */
  | { readonly type: 'only-workspace' }
  /** The window has one tab only. */
  | { readonly type: 'only-tab' }
  /** There is no tab with that number. */
  | { readonly type: 'no-such-tab'; readonly count: number }
  /** Its application has no other window that tabs could go to. */
  | { readonly type: 'no-window-to-join'; readonly application: ApplicationId }
  /** It takes two windows that can be seen to put them side by side. */
  | { readonly type: 'nothing-to-pair' }
  /** No workspace was shown before this one. */
  | { readonly type: 'no-workspace-before' }
  /** There is nothing in that result that could be searched. */
  | { readonly type: 'nothing-inside' }
  | { readonly type: 'session-full' };

/** Why a command cannot be carried out at all: which of its fields is at fault, and how. */
export interface Refusal {
  readonly field: string;
  readonly detail: string;
}
