/** A switch as a row of its table, and back. */
import type { Insertable, Selectable } from 'kysely';
import type { Switch } from '../../core/tally/recording';
import type { Way } from '../../core/tally/way';
import type { SwitchTable } from '../database/schema';

/** The row of a switch. */
export const switchRow = (session: string, it: Switch): Insertable<SwitchTable> => ({
  session_id: session,
  seq: it.seq,
  at: it.at,
  way: it.way,
  took: it.took,
  presses: it.presses,
  from_window: it.from?.window ?? null,
  from_application: it.from?.application ?? null,
  to_window: it.to?.window ?? null,
  to_application: it.to?.application ?? null,
  place: it.row,
  places: it.rows,
  leaf: it.leaf,
  leaves: it.leaves,
  goes_on: it.goesOn,
});

/** The switch in a row. */
export const switchIn = (row: Selectable<SwitchTable>): Switch => ({
  seq: row.seq,
  at: row.at.toISOString(),
  way: row.way as Way,
  took: row.took,
  presses: row.presses,
  from: endIn(row.from_window, row.from_application),
  to: endIn(row.to_window, row.to_application),
  row: row.place,
  rows: row.places,
  leaf: row.leaf,
  leaves: row.leaves,
  goesOn: row.goes_on,
});

const endIn = (window: string | null, application: string | null): Switch['to'] =>
  window === null || application === null ? null : { window, application };
