import type { Report } from '../src/lib/core/protocol/report';
import type { StreamedLog } from '../src/lib/server/store/event-stream';
import { Publisher } from '../src/lib/server/store/publisher';

/** A report of so many switches. */
export const reportOf = (first: number, switches: number): Report => ({
  batch: `b-${first}`,
  first,
  events: Array.from({ length: switches }, () => ({ type: 'window-fronted', window: 'a', at: '' })),
  settles: { kind: 'done' },
});

/** The log of one session in memory, for what follows it. A read of it takes a turn of the event loop. */
export class MemoryFollowedLog implements StreamedLog {
  readonly publisher = new Publisher();
  /** What was asked for: after which event, and how much at most. */
  readonly reads: (readonly [after: number, most: number])[] = [];
  streams = 0;
  locked = false;

  constructor(
    readonly session: string,
    readonly reports: Report[] = [],
  ) {}

  async after(_session: string, seq: number, most: number): Promise<Report[]> {
    this.reads.push([seq, most]);
    const found = this.reports.filter(({ first, events }) => first + events.length - 1 > seq).slice(0, most);
    await new Promise((resolve) => setImmediate(resolve));
    return found;
  }

  async last(_session: string): Promise<number | null> {
    const last = this.reports.at(-1);
    return Promise.resolve(last ? last.first + last.events.length - 1 : 0);
  }

  isLocked(_session: string): boolean {
    return this.locked;
  }

  /** Stores reports, and tells of them. */
  write(...reports: readonly Report[]): void {
    this.reports.push(...reports);
    this.publisher.tell(this.session, reports);
  }
}
