import { waitAfter } from '../access/attempts';
import type { Database } from '../database/connect';
import { Problem, retryAfter, slowDown } from '../http/problem';
import { hashOfPassphrase, isPassphrase } from './passphrase';

/** Who is told what comes of locks. */
interface LockListener {
  /** A session is locked from now on. */
  locked(session: string): void;
  /** The lock of a session was written: other servers have to look at it. */
  written(session: string): void;
}

/** The lock of a session, to whoever may not come in. */
export interface LockState {
  readonly locked: boolean;
  /** Whether there is a passphrase; the first time a session is locked it is set. */
  readonly passphrase: boolean;
}

/**
 * Which sessions are locked. The database says so; what this server knows of it is always read there, one after the other,
 * so that of a locking and an opening that overtake each other the one that was written last counts.
 */
export class Locks {
  readonly #locked = new Set<string>();
  #reading: Promise<void> = Promise.resolve();

  constructor(
    readonly database: Database,
    readonly listener: LockListener,
  ) {}

  /** Whether a session is locked, as far as this server knows. */
  has(session: string): boolean {
    return this.#locked.has(session);
  }

  /** The same, looked at once more where it seems to be: somebody may have opened it, or taken the lock away. */
  async isLocked(session: string): Promise<boolean> {
    if (this.has(session)) await this.look(session);
    return this.has(session);
  }

  /** Whether a session is locked, and whether it has a passphrase. */
  async stateOf(session: string): Promise<LockState> {
    const row = await this.#read(session);
    return { locked: row?.locked ?? false, passphrase: row !== undefined };
  }

  /**
   * Locks a session. The first time it takes the passphrase that will open it.
   * @throws Problem `passphrase-needed`, `passphrase-there`
   */
  async lock(session: string, passphrase: string | null): Promise<void> {
    if (passphrase === null) await this.#lockAgain(session);
    else await this.#lockFirst(session, passphrase);
    await this.#written(session);
  }

  /** Opens a session. @throws Problem `wrong-passphrase`; `slow-down` after several wrong ones */
  async unlock(session: string, passphrase: string): Promise<void> {
    const kept = await this.#attempt(session, passphrase);
    if (kept === null) return;
    await this.#set(session, kept, { locked: false });
    await this.#written(session);
  }

  /** Has another passphrase open a session. @throws Problem as `unlock` does, and `passphrase-needed` if there is none */
  async change(session: string, from: string, to: string): Promise<void> {
    const kept = await this.#attempt(session, from);
    if (kept === null) throw needed();
    await this.#set(session, kept, { passphrase: await hashOfPassphrase(to) });
  }

  /** Takes the lock and its passphrase away; answers false if there is none. For who owns the machine. */
  async remove(session: string): Promise<boolean> {
    const { numDeletedRows } = await this.database.write
      .deleteFrom('lock')
      .where('session_id', '=', session)
      .executeTakeFirst();
    await this.#written(session);
    return numDeletedRows > 0n;
  }

  /** Looks at the lock of a session. */
  look(session: string): Promise<void> {
    return this.#inTurn(async () => this.#know(session, (await this.#read(session))?.locked ?? false));
  }

  /** Looks at all of them. */
  lookAtAll(): Promise<void> {
    return this.#inTurn(async () => {
      const rows = await this.database.read
        .selectFrom('lock')
        .select('session_id')
        .where('locked', '=', true)
        .execute();
      const locked = new Set(rows.map(({ session_id }) => session_id));
      for (const session of [...this.#locked, ...locked]) this.#know(session, locked.has(session));
    });
  }

  #inTurn(read: () => Promise<void>): Promise<void> {
    const turn = this.#reading.then(read);
    this.#reading = turn.catch(() => undefined);
    return turn;
  }

  #know(session: string, locked: boolean): void {
    const before = this.#locked.has(session);
    if (locked) this.#locked.add(session);
    else this.#locked.delete(session);
    if (locked && !before) this.listener.locked(session);
  }

  #read(session: string) {
    // Where it was written: a reader may be behind.
    return this.database.write
      .selectFrom('lock')
      .select(['passphrase', 'locked', 'failures', 'not_before'])
      .where('session_id', '=', session)
      .executeTakeFirst();
  }

  async #written(session: string): Promise<void> {
    await this.look(session);
    this.listener.written(session);
  }

  async #lockAgain(session: string): Promise<void> {
    const { numUpdatedRows } = await this.database.write
      .updateTable('lock')
      .set({ locked: true })
      .where('session_id', '=', session)
      .executeTakeFirst();
    if (numUpdatedRows === 0n) throw needed();
  }

  async #lockFirst(session: string, passphrase: string): Promise<void> {
    if (await this.#read(session)) throw there();
    const row = { session_id: session, passphrase: await hashOfPassphrase(passphrase), locked: true };
    const { numInsertedOrUpdatedRows = 0n } = await this.database.write
      .insertInto('lock')
      .values(row)
      .onConflict((conflict) => conflict.doNothing())
      .executeTakeFirst();
    // Somebody was faster.
    if (numInsertedOrUpdatedRows === 0n) throw there();
  }

  /**
   * Tries a passphrase, and answers what is kept of it; null if there is none. An attempt counts as missed from before it is
   * looked at: however many come at once, and at however many servers, no more are looked at than one after the other.
   * @throws Problem `wrong-passphrase`, `slow-down`
   */
  async #attempt(session: string, passphrase: string): Promise<string | null> {
    const tried = await this.database.write.transaction().execute(async (trx) => {
      const row = await trx
        .selectFrom('lock')
        .select(['passphrase', 'failures', 'not_before'])
        .where('session_id', '=', session)
        .forUpdate()
        .executeTakeFirst();
      if (!row) return null;
      const now = Date.now();
      const wait = row.not_before.getTime() - now;
      if (wait > 0) throw slowDown(wait);
      const failures = row.failures + 1;
      await trx
        .updateTable('lock')
        .set({ failures, not_before: new Date(now + waitAfter(failures)) })
        .where('session_id', '=', session)
        .execute();
      return { passphrase: row.passphrase, wait: waitAfter(failures) };
    });
    if (tried === null || (await isPassphrase(tried.passphrase, passphrase)))
      return tried?.passphrase ?? null;
    const errors = [{ pointer: '#/passphrase', detail: 'is wrong' }];
    throw new Problem('wrong-passphrase', 'This is not the passphrase.', errors, retryAfter(tried.wait));
  }

  /** After a right attempt: unless the passphrase was changed meanwhile. */
  async #set(
    session: string,
    kept: string,
    values: { readonly locked: boolean } | { readonly passphrase: string },
  ): Promise<void> {
    await this.database.write
      .updateTable('lock')
      .set({ ...values, failures: 0, not_before: new Date() })
      .where('session_id', '=', session)
      .where('passphrase', '=', kept)
      .execute();
  }
}

const needed = () => new Problem('passphrase-needed', 'This session has no passphrase yet.');
const there = () => new Problem('passphrase-there', 'This session has a passphrase already.');
