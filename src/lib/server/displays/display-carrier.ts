import { picturesAllowed } from '../../core/display/pictures';
import { difference, type Standings } from '../../core/display/difference';
import { LATEST_MS, type Hello, type ServerMessage, type Settled, type Told } from '../../core/display/told';
import type { Batch } from '../../core/commands/commands';
import { kindOf } from '../../core/host/decide';
import type { Carrier, CarrierListener } from '../../core/host/carrier';
import type { Order } from '../../core/host/order';
import type { Session, SessionEvent } from '../../core/session/session';
import { followsTabs, type Settings } from '../../core/slices/settings/state';
import type { LiveHost } from '../../core/slices/host/state';

/** Where what is said to an agent goes. */
export type Say = (message: ServerMessage) => void;

const TOO_LATE =
  'It was wished more than 5 seconds ago, and the windows may be others by now: nothing was done. (If it was wished just now, the clock of this device is wrong.)';
const AWAY = { kind: 'refused', detail: 'The display is away.' } as const;

/**
 * Drives a display through its agent, whether that is connected or not: without one it is away, and says so. What the
 * agent tells is how things are; what has happened follows from that.
 */
export class DisplayCarrier implements Carrier {
  #listener: CarrierListener | null = null;
  #say: Say | null = null;
  readonly #standings: Standings = new Map();
  /** What the agent was sent and has not settled. */
  readonly #underWay = new Set<string>();

  /** @param closed is called when nobody hears any more what is told */
  constructor(readonly closed: () => void) {}

  /** Whoever keeps the session hears from now on what happens there. */
  open(listener: CarrierListener): () => void {
    this.#listener = listener;
    if (!this.#say) this.#beAway();
    return () => {
      this.#listener = null;
      this.closed();
    };
  }

  /**
   * What was wished too long ago is not done: a machine that wakes up would catch up on a minute of keys. What is Key Fold's
   * own is never too late.
   */
  refusalOf({ commands }: Batch): string | null {
    const [first] = commands;
    const late = first !== undefined && Date.now() - Date.parse(first.at) > LATEST_MS;
    return late && commands.some(({ type }) => kindOf(type).own !== true) ? TOO_LATE : null;
  }

  /** Sends orders to the agent, or says that it is away. */
  carryOut(batch: string, orders: readonly Order[]): void {
    if (!this.#say) return this.#listener?.settled(batch, AWAY);
    this.#underWay.add(batch);
    this.#say({ type: 'carry-out', batch, at: new Date().toISOString(), orders });
  }

  /** What the agent may see follows the settings at once. */
  settingsChanged(settings: Settings): void {
    this.#say?.(picturesAllowed(settings));
    this.#say?.({ type: 'tabs', followed: followsTabs(settings) });
  }

  /** The session as it stands; null while nobody keeps it. */
  get session(): Session | null {
    return this.#listener?.session() ?? null;
  }

  /** An agent is there from now on. */
  connect(say: Say, { name, abilities, screen }: Hello): void {
    this.#say = say;
    if (this.#listener) this.settingsChanged(this.#listener.session().settings);
    const host = { name, abilities, screen };
    if (!this.#listener || isSo(this.#listener.session().host, host)) return;
    this.#observe([{ type: 'host-came', host }], null);
  }

  /** The agent is gone. */
  disconnect(): void {
    this.#say = null;
    this.#standings.clear();
    for (const batch of this.#underWay) this.#listener?.settled(batch, AWAY);
    this.#underWay.clear();
    this.#beAway();
  }

  /** The agent has told how things are. */
  told(told: Told): void {
    if (!this.#listener) return;
    const events = difference(this.#listener.session(), told, this.#standings);
    const cause = told.cause !== null && this.#underWay.has(told.cause) ? told.cause : null;
    this.#observe(events, cause);
  }

  /** The agent has said how a batch ended. */
  settled({ batch, settlement }: Settled): void {
    if (this.#underWay.delete(batch)) this.#listener?.settled(batch, settlement);
  }

  #beAway(): void {
    const host = this.#listener?.session().host;
    if (host?.kind === 'live' && host.awaySince === undefined)
      this.#observe([{ type: 'host-went', at: new Date().toISOString() }], null);
  }

  #observe(events: readonly SessionEvent[], cause: string | null): void {
    if (events.length > 0) this.#listener?.observed(events, cause);
  }
}

/** Whether a session's host is there, and is this one. */
function isSo(host: object, { name, abilities, screen }: Omit<LiveHost, 'kind' | 'awaySince'>): boolean {
  return JSON.stringify(host) === JSON.stringify({ kind: 'live', name, abilities, screen });
}
