/**
 * The browser's copy of a session: what the server has confirmed, the batches it has not confirmed yet, and the
 * session as the person sees it, which is both together. The same host and the same reduce run on both sides, so
 * the two agree unless someone else was faster; then the unconfirmed batches are decided anew.
 */
import type { Host } from '../host/host';
import type { Notice, Refusal } from '../host/notice';
import type { Batch } from '../commands/commands';
import type { SessionEvent } from '../session/session';
import { reduceAll } from '../session/session';
import type { Session } from '../session/session';
import { decideBatch } from './decide-batch';

/** One batch as the server wrote it down: its events are numbered `first`, `first + 1`, … without gaps. */
export interface Confirmation {
  readonly batch: string;
  readonly first: number;
  readonly events: readonly SessionEvent[];
}

interface Pending {
  readonly batch: Batch;
  /** The events that were predicted for it. */
  readonly events: readonly SessionEvent[];
}

export interface Replica {
  readonly confirmed: Session;
  /** The number of the last confirmed event. */
  readonly seq: number;
  readonly pending: readonly Pending[];
  /** What the person sees. */
  readonly session: Session;
}

/** A replica of a session whose last event has number `seq`. */
export const replicaOf = (session: Session, seq: number): Replica => ({
  confirmed: session,
  seq,
  pending: [],
  session,
});

/** Applies a batch at once, before the server knows of it. A refused batch changes nothing. */
export function submit(
  replica: Replica,
  host: Host,
  batch: Batch,
): { replica: Replica; notices: readonly Notice[]; refusal: Refusal | null } {
  const decision = decideBatch(host, replica.session, batch);
  if (!decision.ok) return { replica, notices: [], refusal: decision.refusal };
  const pending = [...replica.pending, { batch, events: decision.events }];
  return {
    replica: { ...replica, pending, session: decision.session },
    notices: decision.notices,
    refusal: null,
  };
}

/**
 * Takes in what the server wrote down. A confirmation seen before is ignored; one that lies ahead is null: the
 * ones between must come first.
 */
export function receive(replica: Replica, host: Host, confirmation: Confirmation): Replica | null {
  const { batch, first, events } = confirmation;
  const head = replica.pending[0];
  const settles = (pending: Pending) => pending.batch.id === batch;
  if (events.length > 0 && first > replica.seq + 1) return null;
  const fresh = events.slice(Math.max(0, replica.seq + 1 - first));
  const confirmed = reduceAll(replica.confirmed, fresh);
  const seq = replica.seq + fresh.length;
  const asPredicted = head !== undefined && settles(head) && sameEvents(head.events, events);
  if (asPredicted) return { ...replica, confirmed, seq, pending: replica.pending.slice(1) };
  const pending = replica.pending.filter((other) => !settles(other));
  if (fresh.length === 0 && pending.length === replica.pending.length) return replica;
  return rebased(confirmed, seq, pending, host);
}

/** Drops a batch that the server refused; what came after it is decided anew without it. */
export const reject = (replica: Replica, host: Host, batch: string): Replica =>
  rebased(
    replica.confirmed,
    replica.seq,
    replica.pending.filter((pending) => pending.batch.id !== batch),
    host,
  );

/** A replica of what the server says it has now, whatever was confirmed before; what is pending stays so. */
export const anew = (
  replica: Replica,
  host: Host,
  { session, seq }: { session: Session; seq: number },
): Replica => rebased(session, seq, replica.pending, host);

/** Decides the pending batches again. One that is refused here stays pending: the server has the last word on it. */
function rebased(confirmed: Session, seq: number, before: readonly Pending[], host: Host): Replica {
  let session = confirmed;
  const pending = before.map(({ batch }): Pending => {
    const decision = decideBatch(host, session, batch);
    if (!decision.ok) return { batch, events: [] };
    session = decision.session;
    return { batch, events: decision.events };
  });
  return { confirmed, seq, pending, session };
}

const sameEvents = (a: readonly SessionEvent[], b: readonly SessionEvent[]): boolean =>
  JSON.stringify(a) === JSON.stringify(b);
