import type { Report } from '../../core/protocol/report';
import type { Publisher } from './publisher';

/** The log, as whoever follows sessions reads it. */
export interface FollowedLog {
  /** Tells of what is stored. */
  readonly publisher: Publisher;
  /** Whether a session is locked, so that nothing is told of it. */
  isLocked(session: string): boolean;
  /** What was written down after an event, oldest first, at most so many batches. */
  after(session: string, seq: number, most: number): Promise<Report[]>;
  /** The number of a session's last event; null if there is no such session. */
  last(session: string): Promise<number | null>;
}
