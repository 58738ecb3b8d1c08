import type { Origin, Wish } from '../core/commands/commands';
import type { Outcome } from '../core/desk/messages';
import type { Session } from '../core/session/session';
import type { SwitchFacts } from '../core/tally/way';
import type { SetAside } from './outbox';

/** What a desk works on: a session, wherever it is kept. What components read is as it is shown. */
export interface DeskLink {
  readonly id: string;
  /** As it is shown, and as it is to go on from. */
  readonly session: Session;
  readonly sessionNow: Session;
  /** Whether what happens is heard as it happens. */
  readonly hears: boolean;
  /** Whether something that this page wished has not been settled. */
  readonly isBusy: boolean;
  /** True while what keeps it cannot be reached. */
  readonly offline: boolean;
  /** Batches that are not acknowledged, not settled, and of which the person should know that. */
  readonly unsent: number;
  readonly unsettled: number;
  readonly unconfirmed: number;
  /** True while the oldest of them has waited for longer than is usual. */
  readonly late: boolean;
  /** What could not be stored and waits for a decision. */
  readonly aside: readonly SetAside[];
  /** Starts listening and sending; the returned function ends both. */
  open(): () => void;
  /** Does what is wished, all of it or nothing, at once, as far as that can be foreseen. */
  submit(wishes: readonly Wish[], origin: Origin, facts?: SwitchFacts): Outcome;
  /** Sends once more what was set aside. */
  retryAside(): void;
  /** Lets go what was set aside. */
  dropAside(): void;
}
