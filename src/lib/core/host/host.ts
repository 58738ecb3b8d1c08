import type { Command } from '../session/commands';
import type { Event } from '../session/events';
import type { ApplicationId, DocumentId, Session } from '../session/session';

/** Something the person should hear that changes nothing. */
export type Notice =
  | { readonly type: 'stays-resident'; readonly application: ApplicationId }
  | { readonly type: 'does-not-answer'; readonly application: ApplicationId }
  | { readonly type: 'already-minimised' }
  | { readonly type: 'already-asking'; readonly application: ApplicationId }
  | { readonly type: 'nothing-to-put-away' }
  | { readonly type: 'nothing-to-put-back' }
  | { readonly type: 'nothing-to-reopen' }
  | { readonly type: 'nothing-to-close'; readonly application: ApplicationId }
  | { readonly type: 'not-running'; readonly application: ApplicationId }
  /** The draft of a document is offered in a window, and nothing is written to it until that is answered. */
  | { readonly type: 'draft-waits'; readonly document: DocumentId }
  /** A discarded draft cannot come back while a newer one of the same document is there. */
  | { readonly type: 'newer-draft'; readonly document: DocumentId }
  /** The session has as many windows, or as much text, as it can hold. */
  | { readonly type: 'too-many-windows' }
  | { readonly type: 'session-full' };

/** Why a command cannot be carried out at all: which of its fields is at fault, and how. */
export interface Refusal {
  readonly field: string;
  readonly detail: string;
}

export type Decision =
  | {
      readonly ok: true;
      readonly events: readonly Event[];
      readonly notices: readonly Notice[];
      /** The session once the events are applied. */
      readonly session: Session;
    }
  | { readonly ok: false; readonly refusal: Refusal };

/**
 * A host knows what really runs: it says which events follow from a command in a session. The simulated host
 * is one; a host that drives a real desktop would be another.
 */
export interface Host {
  /** Never throws for a command that merely names something unknown: that is a refusal. */
  decide(session: Session, command: Command): Decision;
}
