/**
 * What a batch means. A simulated host does at once what is foreseen. For a live one it is taken apart: into orders for
 * the host, and facts of Key Fold's own.
 */
import type { Batch, Command } from '../commands/commands';
import { ownership, type Session, type SessionEvent } from '../session/session';
import type { HostInfo } from '../slices/host/state';
import { decide, kindOf } from './decide';
import type { Notice, Refusal } from './notice';
import type { Order } from './order';

/** What follows from a batch, or why it is refused: a batch is all or nothing. */
export type Plan =
  | {
      readonly ok: true;
      /** The session once everything that is foreseen has come true. */
      readonly session: Session;
      /** Everything that is foreseen; of a simulated host everything that happens. */
      readonly events: readonly SessionEvent[];
      readonly notices: readonly Notice[];
      /** What a live host is asked for; always empty for a simulated one. */
      readonly orders: readonly Order[];
    }
  | { readonly ok: false; readonly index: number; readonly refusal: Refusal };

/** Plans a batch command by command, resting after each; returns what {@link planOf} does. */
export function* planning(session: Session, batch: Batch, decideOne = decide): Generator<void, Plan> {
  const events: SessionEvent[] = [];
  const notices: Notice[] = [];
  const orders: Order[] = [];
  const live = session.host.kind === 'live';
  let now = session;
  for (const [index, command] of batch.commands.entries()) {
    const decision = decideOne(now, command);
    if (!decision.ok) return { ok: false, index, refusal: decision.refusal };
    if (!isAble(session.host, command)) notices.push({ type: 'host-cannot' });
    else {
      notices.push(...decision.notices);
      if (live && isUnforeseen(now, command)) {
        if (decision.events.length > 0) orders.push({ ask: command });
      } else {
        now = decision.session;
        events.push(...decision.events);
        if (live) orders.push(...ordersOf(decision.events));
      }
    }
    yield;
  }
  return { ok: true, session: now, events, notices, orders };
}

/** The batch's plan in this session, or why it is refused; `again` as in `decide`. */
export function planOf(session: Session, batch: Batch, again = false): Plan {
  const steps = planning(session, batch, (now, command) => decide(now, command, again));
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/** Whether a host can carry out what a command wishes; what is Key Fold's own needs none. */
export const isAble = (host: HostInfo, { type }: Pick<Command, 'type'>): boolean =>
  host.kind === 'simulated' ||
  kindOf(type).own === true ||
  (host.awaySince === undefined && host.abilities.includes(type));

/** Whether only a live host could tell what follows. */
export function isUnforeseen(session: Session, command: Command): boolean {
  const { unforeseen = false } = kindOf(command.type);
  return typeof unforeseen === 'function' ? unforeseen(session, command) : unforeseen;
}

/** The events among these that are the host's to bring about. */
export const ordersOf = (events: readonly SessionEvent[]): Order[] =>
  events.filter((event) => ownership(event) === 'host').map((event) => ({ make: event }));
