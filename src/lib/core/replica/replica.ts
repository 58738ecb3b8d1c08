/**
 * The browser's copy of a session: what the server has reported, the batches that are not settled, and the session as
 * the person sees it, which is both together. The same `decide` and the same `reduce` run on both sides, so with a host
 * that answers at once the two agree unless someone else was faster. A live host's report comes in pieces; on each of
 * them the unsettled batches are foreseen anew. Because a wish says the state that is wanted, what has come true already
 * adds nothing.
 */
import type { Batch } from '../commands/commands';
import type { Notice, Refusal } from '../host/notice';
import { planOf } from '../host/plan';
import type { Report } from '../protocol/report';
import { ownership, reduceAll, type Session, type SessionEvent } from '../session/session';

/** A batch that is not settled. */
export interface Pending {
  readonly batch: Batch;
  /** What is foreseen of it, on top of what was reported and of the batches before it. */
  readonly events: readonly SessionEvent[];
  /** When it was made, in ms of the page's own clock. */
  readonly since: number;
  /** Whether something of it only the host can tell: what comes of that is news when it is reported. */
  readonly asked: boolean;
  /** The server has it; what comes of it is still to be reported. */
  readonly taken: boolean;
  /** The host's part has come true: from then on only reports count, so that later truth is never hidden. */
  readonly fulfilled: boolean;
}

/**
 * A page's copy of a session. A value: every function gives back a new one, or the same if nothing
 * changed.
 */
export interface Replica {
  readonly confirmed: Session;
  /** The number of the last reported event. */
  readonly seq: number;
  /** Reports that arrived before others that come first. */
  readonly early: readonly Report[];
  readonly pending: readonly Pending[];
  /** What the person sees. */
  readonly session: Session;
}

/** What is unsettled for longer than this, in ms, is shown as not confirmed. */
export const UNCONFIRMED_AFTER_MS = 300;

/** A replica of a session whose last event has number `seq`. */
export const replicaOf = (session: Session, seq: number): Replica => ({
  confirmed: session,
  seq,
  early: [],
  pending: [],
  session,
});

/** What came of submitting a batch, as far as it can be foreseen. */
export interface Submitted {
  readonly replica: Replica;
  readonly events: readonly SessionEvent[];
  readonly notices: readonly Notice[];
  readonly refusal: Refusal | null;
}

/**
 * Shows a batch at once as far as it can be foreseen, before the server knows of it. A refused batch changes nothing,
 * nor does one from which nothing follows: the replica is the same then.
 *
 * @param now in ms of the page's own clock
 */
export function submit(replica: Replica, batch: Batch, now: number): Submitted {
  const plan = planOf(replica.session, batch);
  if (!plan.ok) return { replica, events: [], notices: [], refusal: plan.refusal };
  const { session, events, notices, orders } = plan;
  if (events.length === 0 && orders.length === 0) return { replica, events, notices, refusal: null };
  const asked = orders.some((order) => 'ask' in order);
  const pending = { ...pendingOf(batch, events, now), asked };
  return { replica: withPending(replica, pending, session), events, notices, refusal: null };
}

/** Takes over a batch that an earlier page left. One that is refused here waits too: the server has the last word. */
export function takeOver(replica: Replica, batch: Batch, now: number): Replica {
  const submitted = submit(replica, batch, now);
  if (submitted.replica !== replica) return submitted.replica;
  return withPending(replica, pendingOf(batch, [], now), replica.session);
}

const pendingOf = (batch: Batch, events: readonly SessionEvent[], since: number): Pending => ({
  batch,
  events,
  since,
  asked: false,
  taken: false,
  fulfilled: false,
});

const withPending = (replica: Replica, pending: Pending, session: Session): Replica => ({
  ...replica,
  pending: [...replica.pending, pending],
  session,
});

/** Takes in a report. One seen before changes nothing; one that is early waits for those before it. */
export function receive(replica: Replica, report: Report): Replica {
  if (report.first > replica.seq + 1) return { ...replica, early: [...replica.early, report] };
  const after = takeIn(replica, report);
  const next = after.early.find(({ first }) => first <= after.seq + 1);
  return next ? receive({ ...after, early: after.early.filter((one) => one !== next) }, next) : after;
}

function takeIn(replica: Replica, { batch, first, events, settles }: Report): Replica {
  const fresh = events.slice(Math.max(0, replica.seq + 1 - first));
  const seq = replica.seq + fresh.length;
  const confirmed = reduceAll(replica.confirmed, fresh);
  const [head, ...others] = replica.pending;
  const asForeseen = settles && head?.batch.id === batch && sameEvents(head.events, events);
  if (asForeseen) return { ...replica, confirmed, seq, pending: others };
  const left = settles ? without(replica.pending, batch) : taken(replica.pending, batch);
  if (fresh.length === 0 && left === replica.pending) return replica;
  if (fresh.length === 0 && !settles) return { ...replica, pending: left };
  return rebased({ ...replica, confirmed, seq, pending: left });
}

/** The server has a batch; what comes of it is still to be reported. */
export const acknowledge = (replica: Replica, batch: string): Replica => ({
  ...replica,
  pending: taken(replica.pending, batch),
});

/** Drops a batch that the server refused; what came after it is foreseen anew without it. */
export const reject = (replica: Replica, batch: string): Replica =>
  rebased({ ...replica, pending: without(replica.pending, batch) });

/**
 * A replica of what the server says it has now, whatever was reported before. What the server does not have yet stays
 * pending, and so does what is still under way there.
 */
export function anew(replica: Replica, { session, seq }: { session: Session; seq: number }): Replica {
  const underWay = new Set(session.underWay);
  const pending = replica.pending.filter((one) => !one.taken || underWay.has(one.batch.id));
  return rebased({ ...replica, confirmed: session, seq, early: [], pending });
}

/** The batches that the person should know to be unconfirmed at an instant of the page's own clock. */
export const unconfirmed = (replica: Replica, now: number): readonly Pending[] =>
  replica.pending.filter(({ since, fulfilled }) => !fulfilled && now - since >= UNCONFIRMED_AFTER_MS);

/** The same list if the batch is not in it. */
const without = (pending: readonly Pending[], batch: string | null): readonly Pending[] =>
  pending.some((one) => one.batch.id === batch) ? pending.filter((one) => one.batch.id !== batch) : pending;

/** The same list if nothing changes. */
function taken(pending: readonly Pending[], batch: string | null): readonly Pending[] {
  const at = pending.findIndex((one) => one.batch.id === batch && !one.taken);
  const one = pending[at];
  return one ? pending.with(at, { ...one, taken: true }) : pending;
}

/** Foresees the pending batches anew on what was reported. One that is refused here stays: the server decides. */
function rebased(replica: Replica): Replica {
  const { confirmed } = replica;
  const live = confirmed.host.kind === 'live';
  let session = confirmed;
  const pending = replica.pending.map((one): Pending => {
    // Of one that has come true only what is said when it is settled is still to come.
    if (one.fulfilled) {
      session = reduceAll(session, one.events);
      return one;
    }
    const plan = planOf(session, one.batch, live);
    if (!plan.ok) return { ...one, events: [] };
    const fulfilled = live && one.taken && plan.orders.length === 0 && hasComeTrue(confirmed, one.batch);
    const events = live ? withFactsAsTaken(plan.events, one.events) : plan.events;
    session = events === plan.events ? plan.session : reduceAll(session, events);
    return { ...one, events, fulfilled };
  });
  return { ...replica, pending, session };
}

/**
 * What is foreseen, with Key Fold's own facts as they were when it was wished: the server writes those down that followed
 * then, however much has come true since. The same list if there are none.
 */
function withFactsAsTaken(
  events: readonly SessionEvent[],
  before: readonly SessionEvent[],
): readonly SessionEvent[] {
  if (!events.some((event) => ownership(event) === 'when-settled')) return events;
  return events.map((event) =>
    ownership(event) === 'when-settled' ? (before.find(({ type }) => type === event.type) ?? event) : event,
  );
}

/** Whether a batch leaves its host nothing to do on what was reported alone. */
function hasComeTrue(confirmed: Session, batch: Batch): boolean {
  const plan = planOf(confirmed, batch, true);
  return plan.ok && plan.orders.length === 0;
}

const sameEvents = (a: readonly SessionEvent[], b: readonly SessionEvent[]): boolean =>
  JSON.stringify(a) === JSON.stringify(b);
