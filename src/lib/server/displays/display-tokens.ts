import type { Database } from '../database/connect';
import { hashOf, newSecret } from '../access/secret';

/** What the agents of displays prove themselves with: one token a display, kept as a hash. */
export class DisplayTokens {
  constructor(readonly database: Database) {}

  /** A new token for the display of a session; the one before is revoked. */
  async renew(session: string): Promise<string> {
    const token = newSecret();
    await this.database.write
      .insertInto('display')
      .values({ session_id: session, token_hash: hashOf(token) })
      .onConflict((conflict) => conflict.column('session_id').doUpdateSet({ token_hash: hashOf(token) }))
      .execute();
    return token;
  }

  /** Takes the token of a display away, and with it the display; answers false if there is none. */
  async revoke(session: string): Promise<boolean> {
    const removed = await this.database.write
      .deleteFrom('display')
      .where('session_id', '=', session)
      .executeTakeFirst();
    return removed.numDeletedRows > 0n;
  }

  /** The session whose display an agent with this token has; null for a token that was revoked or never given. */
  async sessionOf(token: string): Promise<string | null> {
    const row = await this.database.read
      .selectFrom('display')
      .select('session_id')
      .where('token_hash', '=', hashOf(token))
      .executeTakeFirst();
    return row?.session_id ?? null;
  }

  /** The sessions of all displays. */
  async sessions(): Promise<string[]> {
    const rows = await this.database.read.selectFrom('display').select('session_id').execute();
    return rows.map(({ session_id: session }) => session);
  }
}
