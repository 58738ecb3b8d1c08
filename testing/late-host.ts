/** A host that answers late, out of order, in pieces, differently than foreseen, with a refusal, or never. */
import { COMMANDS } from '../src/lib/core/commands/commands';
import type { Carrier, CarrierListener } from '../src/lib/core/host/carrier';
import { decide } from '../src/lib/core/host/decide';
import type { Order } from '../src/lib/core/host/order';
import { isSeen, ownership, reduce, type Session, type SessionEvent } from '../src/lib/core/session/session';

/**
 * What it makes of a batch. `unseen`: a later batch undid it before anybody looked, so that it is done and nothing was
 * observed. `half`: it does the first part only, and says that it is done.
 */
export type Manner = 'as-wished' | 'half' | 'unseen' | 'refuses' | 'never';

interface Job {
  readonly batch: string;
  readonly orders: readonly Order[];
  readonly manner: Manner;
  /** What is left to tell; null until it has begun. */
  left: readonly SessionEvent[] | null;
}

/** A session as a live host has it, which can do everything that is wished, unless other abilities are given. */
export const liveSession = (
  session: Session,
  abilities: readonly string[] = COMMANDS.map(({ type }) => type),
): Session => ({ ...session, host: { kind: 'live', name: 'late', abilities } });

export class LateHost implements Carrier {
  readonly jobs: Job[] = [];
  #listener: CarrierListener | null = null;
  #taken = 0;

  /**
   * @param world what really is there
   * @param manners what it makes of the batches, in turn
   */
  constructor(
    public world: Session,
    readonly manners: readonly Manner[],
  ) {}

  open(listener: CarrierListener): () => void {
    this.#listener = listener;
    return () => (this.#listener = null);
  }

  carryOut(batch: string, orders: readonly Order[]): void {
    const manner = this.manners[this.#taken % this.manners.length] ?? 'as-wished';
    this.#taken += 1;
    this.jobs.push({ batch, orders, manner, left: null });
  }

  /** Goes on with one of its jobs: tells one more piece of it or, with nothing left, settles it. */
  goOn(pick: number): void {
    const workable = this.jobs.filter(({ manner }) => manner !== 'never');
    const job = workable[pick % Math.max(1, workable.length)];
    if (!job) return;
    const [event, ...left] = (job.left ??= this.#begin(job));
    job.left = left;
    if (event) return this.#happen(event, job.batch);
    this.jobs.splice(this.jobs.indexOf(job), 1);
    const refused = { kind: 'refused', detail: 'It would not.' } as const;
    this.#listener?.settled(job.batch, job.manner === 'refuses' ? refused : { kind: 'done' });
  }

  /** Goes on until nothing is left but what never answers. */
  finish(): void {
    while (this.jobs.some(({ manner }) => manner !== 'never')) this.goOn(0);
  }

  /** Something happens at the display itself. */
  happen(event: SessionEvent): void {
    this.#happen(event, null);
  }

  #begin({ orders, manner }: Job): readonly SessionEvent[] {
    if (manner === 'refuses' || manner === 'unseen') return [];
    const events = orders.flatMap((order) => ('make' in order ? pieces(order.make) : this.#answer(order)));
    return manner === 'half' ? events.slice(0, Math.ceil(events.length / 2)) : events;
  }

  #answer({ ask }: Extract<Order, { ask: unknown }>): SessionEvent[] {
    const decision = decide(this.world, ask);
    const events = decision.ok ? decision.events : [];
    return events.filter((event) => ownership(event) === 'host').flatMap(pieces);
  }

  /** What cannot happen any more does not: jobs that go on in turns may have taken its window away. */
  #happen(event: SessionEvent, cause: string | null): void {
    const after = fits(this.world, event);
    if (!after) return;
    this.world = after;
    this.#listener?.observed([event], cause);
  }
}

/** The world after an event; null if it cannot happen there. */
function fits(world: Session, event: SessionEvent): Session | null {
  if (event.type === 'window-fronted' && !isSeen(world, event.window)) return null;
  if (event.type === 'windows-restacked') return restacked(world, event.stacking);
  try {
    return reduce(world, event);
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}

/** Only a pile of all windows that there are can be made. */
function restacked(world: Session, stacking: readonly string[]): Session | null {
  const there = new Set(world.stacking);
  const whole = stacking.length === there.size && stacking.every((id) => there.has(id));
  return whole ? reduce(world, { type: 'windows-restacked', stacking }) : null;
}

/** What happens to a family, one by one. */
function pieces(event: SessionEvent): SessionEvent[] {
  switch (event.type) {
    case 'windows-minimised':
    case 'windows-restored':
      return event.windows.map((window) => ({ type: event.type, windows: [window] }));
    case 'windows-placed':
      return event.places.map((place) => ({ type: event.type, places: [place] }));
    case 'applications-hidden':
    case 'applications-shown':
      return event.applications.map((application) => ({ type: event.type, applications: [application] }));
    default:
      return [event];
  }
}
