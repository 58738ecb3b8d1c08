/** The port between Key Fold's server and whatever really has the windows. */
import type { Batch } from '../commands/commands';
import type { Session, SessionEvent } from '../session/session';
import type { Settlement } from '../slices/under-way/state';
import type { Settings } from '../slices/settings/state';
import type { Order } from './order';

/** What a carrier tells. */
export interface CarrierListener {
  /** The session as it is written down so far. */
  session(): Session;
  /**
   * Something happened, because of a batch or of its own accord. The server's clock stamps it, not the carrier's.
   * @throws RangeError if an event names something that the session does not have; then nothing of it counts.
   */
  observed(events: readonly SessionEvent[], cause: string | null): void;
  /** A batch is over. Told after the last observation of that batch, never merely after sending. */
  settled(batch: string, settlement: Settlement): void;
}

/** What has the windows, as the server drives it. */
export interface Carrier {
  /** Starts telling, until the returned function is called. */
  open(listener: CarrierListener): () => void;
  /** Why a batch is not taken at all; null if it is. Asked before anything of it is written down. */
  refusalOf?(batch: Batch): string | null;
  /** The person has changed a setting. */
  settingsChanged?(settings: Settings): void;
  /** Carries out the orders of a batch; answers through the listener, at once, later or never. */
  carryOut(batch: string, orders: readonly Order[]): void;
}
