import type { Command } from '../commands/commands';
import type { Session, SessionEvent } from '../session/session';
import type { Notice, Refusal } from './notice';

export type Decision =
  | {
      readonly ok: true;
      readonly events: readonly SessionEvent[];
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
