import type { Host } from '../host/host';
import type { Notice, Refusal } from '../host/notice';
import type { Batch } from '../commands/commands';
import type { SessionEvent } from '../session/session';
import type { Session } from '../session/session';

/** What follows from a batch, or why it is refused: a batch is all or nothing. */
export type BatchDecision =
  | {
      readonly ok: true;
      readonly session: Session;
      readonly events: readonly SessionEvent[];
      readonly notices: readonly Notice[];
    }
  | { readonly ok: false; readonly index: number; readonly refusal: Refusal };

/** Decides a batch command by command, resting after each; returns what {@link decideBatch} does. */
export function* decisions(host: Host, session: Session, batch: Batch): Generator<void, BatchDecision> {
  const events: SessionEvent[] = [];
  const notices: Notice[] = [];
  let now = session;
  for (const [index, command] of batch.commands.entries()) {
    const decision = host.decide(now, command);
    if (!decision.ok) return { ok: false, index, refusal: decision.refusal };
    now = decision.session;
    events.push(...decision.events);
    notices.push(...decision.notices);
    yield;
  }
  return { ok: true, session: now, events, notices };
}

/** The batch's events in this session, or why it is refused. */
export function decideBatch(host: Host, session: Session, batch: Batch): BatchDecision {
  const steps = decisions(host, session, batch);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}
