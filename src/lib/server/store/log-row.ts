import { createHash } from 'node:crypto';
import type { Origin } from '../../core/commands/commands';
import { eventFrom, storedEvent } from '../../core/protocol/upcast';
import type { Switch } from '../../core/tally/recording';
import { switchRow } from '../tally/switch-row';
import { settlementIn, type Report } from '../../core/protocol/report';

/** A report as it stands in the log. */
export interface LogRow {
  readonly session: string;
  readonly first: number;
  readonly count: number;
  /** The batch that it takes; null if it takes none. */
  readonly batch: string | null;
  /** The batch that caused it, where that was taken before. */
  readonly cause: string | null;
  readonly origin: string | null;
  readonly digest: string;
  /** The events as JSON. */
  readonly events: string;
  /** The row of the tally that goes with it, as JSON; null where nothing was switched. */
  readonly switched: string | null;
}

/** The row of a report; with a digest if it takes its batch, and with the switch that it is, if it is one. */
export const logRow = (
  session: string,
  { batch, origin, first, events }: Report,
  digest?: string,
  switched: Switch | null = null,
): LogRow => ({
  session,
  first,
  count: events.length,
  batch: digest === undefined ? null : batch,
  cause: digest === undefined ? batch : null,
  origin: origin ?? null,
  digest: digest ?? '',
  events: JSON.stringify(events.map(storedEvent)),
  switched: switched && JSON.stringify(switchRow(session, switched)),
});

/** What is read of a row. */
export interface ReadRow {
  readonly id: string | null;
  readonly cause: string | null;
  readonly origin: string | null;
  readonly first_seq: number;
  readonly events: readonly object[];
}

/** The report in a row, which this version or an earlier one wrote. */
export function reportIn({ id, cause, origin, first_seq, events }: ReadRow): Report {
  const now = events.map(eventFrom);
  return {
    batch: id ?? cause,
    ...(origin !== null && { origin: origin as Origin | 'host' }),
    first: first_seq,
    events: now,
    settles: settlementIn(now, id !== null),
  };
}

/** What tells a batch that is sent again from one whose id is used again. It goes over the commands as they were sent. */
export const digestOf = ({ commands }: { readonly commands: readonly unknown[] }): string =>
  createHash('sha256').update(JSON.stringify(commands)).digest('hex');
