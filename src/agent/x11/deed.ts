import type { Command } from '../../lib/core/commands/commands';
import type { SessionEvent } from '../../lib/core/session/session';

/** Thrown where something cannot be done: it says why. */
export class CannotBe extends Error {}

/** One part of what was ordered. */
export interface Deed {
  send(): Promise<void>;
  /** Whether it has come true. */
  done(): boolean;
  /** What is said if it has not in time; null where that is no failure: how it is now is told in any case. */
  readonly otherwise: string | null;
}

/** Makes deeds of orders; null for what it knows nothing of. */
export interface DeedMaker {
  making(event: SessionEvent): Deed | null;
  asking(command: Command): Deed | null;
}
