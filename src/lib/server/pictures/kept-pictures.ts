import { createHash } from 'node:crypto';
import { sql } from 'kysely';
import { ALL_PICTURES, type Picture } from '../../core/capture/picture';
import type { Database } from '../database/connect';
import { Problem } from '../http/problem';
import { extentOfPng } from './png';

/** A picture that no document names is kept so long, in hours: its page may be away from the server. */
const UNNAMED_HOURS = 7 * 24;

/** A picture and its file, which were checked. */
export interface PictureFile extends Picture {
  readonly png: Uint8Array;
}

/** A file as a document will name it; null if it is no PNG, or there is more in it than a picture. */
export function pictureOf(png: Uint8Array): PictureFile | null {
  const extent = extentOfPng(png);
  if (!extent) return null;
  const digest = createHash('sha256').update(png).digest('hex');
  return { ...extent, digest, bytes: png.byteLength, png };
}

/** The pictures of sessions, beside their logs: each once, named by what is in it. They go with their session. */
export class KeptPictures {
  constructor(readonly database: Database) {}

  /**
   * Keeps some pictures of a session, all of them or none; one that is there already is there once. What no document names
   * (`named` are those that one does) makes room after some days.
   * @throws Problem `no-room-for-pictures`
   */
  async keep(session: string, pictures: readonly PictureFile[], named: readonly string[]): Promise<void> {
    if (pictures.length === 0) return;
    await this.database.write.transaction().execute(async (trx) => {
      // One after the other, so that two at once do not both have the room that is left; commands are kept waiting by none.
      await sql`select 1 from session where id = ${session} for no key update`.execute(trx);
      await trx
        .deleteFrom('picture')
        .where('session_id', '=', session)
        .where('digest', 'not in', [...named, ''])
        .where('made_at', '<', sql<Date>`now() - make_interval(hours => ${UNNAMED_HOURS})`)
        .execute();
      await trx
        .insertInto('picture')
        .values(pictures.map(({ digest, png }) => ({ session_id: session, digest, png: Buffer.from(png) })))
        .onConflict((conflict) => conflict.doNothing())
        .execute();
      const { bytes } = await trx
        .selectFrom('picture')
        .select(sql<string | null>`sum(octet_length(png))`.as('bytes'))
        .where('session_id', '=', session)
        .executeTakeFirstOrThrow();
      if (Number(bytes) > ALL_PICTURES) throw noRoom();
    });
  }

  /** The file of a picture; null if the session has none of that name. */
  async find(session: string, digest: string): Promise<Uint8Array | null> {
    const row = await this.database.read
      .selectFrom('picture')
      .select('png')
      .where('session_id', '=', session)
      .where('digest', '=', digest)
      .executeTakeFirst();
    return row?.png ?? null;
  }

  /** The files of some pictures of a session, as far as they are there, in Base64 (RFC 4648) by their names. */
  async filesOf(session: string, digests: readonly string[]): Promise<Record<string, string>> {
    const rows = await this.database.read
      .selectFrom('picture')
      .select(['digest', 'png'])
      .where('session_id', '=', session)
      .where('digest', 'in', [...digests, ''])
      .orderBy('digest')
      .execute();
    return Object.fromEntries(rows.map(({ digest, png }) => [digest, png.toString('base64')]));
  }
}

const noRoom = () =>
  new Problem(
    'no-room-for-pictures',
    `The pictures of a session may have ${ALL_PICTURES / 1024 / 1024} MiB together.`,
  );
