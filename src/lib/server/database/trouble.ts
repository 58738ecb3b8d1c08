/** What can go wrong with a database, told apart. */
import pg from 'pg';

/** The database cannot be used now, or more waits than can be served: to be tried again. Nothing is known to be lost. */
export class Unavailable extends Error {}

/** SQLSTATE classes of troubles that pass: connection, resources, operator, system, locks, conflicts. */
const PASSING = /^(08|25006|40|53|55|57|58)/;
const DRIVER_TROUBLE =
  /^(Connection terminated|timeout exceeded when trying to connect|Query read timeout|Client has encountered|Client was closed|The server does not support|Cannot use a pool)/;

/** Whether an error says that the database cannot be reached or used now, so that trying again later makes sense. */
export function isUnavailable(error: unknown): boolean {
  if (!(error instanceof Error)) return false;
  const { code } = error as { code?: unknown };
  if (error instanceof pg.DatabaseError) return PASSING.test(error.code ?? '');
  return (typeof code === 'string' && /^E[A-Z]+$/.test(code)) || DRIVER_TROUBLE.test(error.message);
}

/** Whether an error says that something with the same key is there already. */
export const isTaken = (error: unknown): boolean =>
  error instanceof pg.DatabaseError && error.code === '23505';
