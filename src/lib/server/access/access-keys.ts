import { timingSafeEqual } from 'node:crypto';
import type { Database } from '../database/connect';
import { hashOf, newSecret } from './secret';

/** Hashes that were read are trusted for this long, in ms, so that not every request asks the database. */
const TRUSTED_MS = 5_000;

/**
 * The access key that lets people in when the server can be reached from elsewhere. It is kept as a hash; whoever
 * has it proves it with every request. Making a new one revokes the one before.
 */
export class AccessKeys {
  #hashes: readonly string[] = [];
  #readAt = -Infinity;

  constructor(readonly database: Database) {}

  /** Makes a key if there is none yet; null if there is one. */
  async makeFirst(): Promise<string | null> {
    return (await this.#read()).length > 0 ? null : this.renew();
  }

  /** Makes a new key, and revokes the ones before. */
  async renew(): Promise<string> {
    const key = newSecret();
    await this.database.write.transaction().execute(async (trx) => {
      await trx.deleteFrom('access_key').execute();
      await trx
        .insertInto('access_key')
        .values({ hash: hashOf(key) })
        .execute();
    });
    this.#readAt = -Infinity;
    return key;
  }

  /** Makes one more key, beside those there are. */
  async add(): Promise<string> {
    const key = newSecret();
    await this.database.write
      .insertInto('access_key')
      .values({ hash: hashOf(key) })
      .execute();
    this.#readAt = -Infinity;
    return key;
  }

  /** Whether a key is the one that lets people in. */
  async accepts(key: string | null | undefined): Promise<boolean> {
    if (!key) return false;
    const hash = Buffer.from(hashOf(key));
    return (await this.#read()).some((known) => timingSafeEqual(hash, Buffer.from(known)));
  }

  async #read(): Promise<readonly string[]> {
    if (performance.now() - this.#readAt < TRUSTED_MS) return this.#hashes;
    const rows = await this.database.read.selectFrom('access_key').select('hash').execute();
    this.#hashes = rows.map(({ hash }) => hash);
    this.#readAt = performance.now();
    return this.#hashes;
  }
}
