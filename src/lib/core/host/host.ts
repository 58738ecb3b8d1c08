import type { Command } from '../session/commands';
import type { Event } from '../session/events';
import type { ApplicationId, Session } from '../session/session';

/** Something the person should hear that changes nothing. */
export type Notice =
  | { readonly type: 'stays-resident'; readonly application: ApplicationId }
  | { readonly type: 'does-not-answer'; readonly application: ApplicationId }
  | { readonly type: 'already-minimised' }
  | { readonly type: 'nothing-to-put-away' }
  | { readonly type: 'nothing-to-put-back' }
  | { readonly type: 'nothing-to-reopen' }
  | { readonly type: 'nothing-to-close'; readonly application: ApplicationId };

/** Why a command cannot be carried out at all: which of its fields names something that is not there. */
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
