import { createHash, randomUUID } from 'node:crypto';
import { PNG } from 'pngjs';
import { sql } from 'kysely';
import { describe, expect, it, onTestFinished } from 'vitest';
import { flip } from '../../../../testing/batches';
import { sessionOf } from '../../../../testing/sessions';
import { useDatabase } from '../../../../tests/use-database';
import { ALL_PICTURES } from '../../core/capture/picture';
import { EventStore } from '../store/event-store';
import { pictureOf, type PictureFile } from './kept-pictures';
import { extentOfPng } from './png';

const database = useDatabase();

/** A small PNG of one colour. */
function png(colour = 0, options: { readonly width?: number } = {}): Buffer {
  const image = new PNG({ width: options.width ?? 3, height: 2 });
  image.data.fill(colour);
  return PNG.sync.write(image);
}

/** A chunk as a PNG has it, by the reference coder's own output with other contents. */
function withChunk(file: Buffer, type: string, contents: Buffer, crc: number): Buffer {
  const head = Buffer.alloc(8);
  head.writeUInt32BE(contents.length);
  head.write(type, 4, 'latin1');
  const tail = Buffer.alloc(4);
  tail.writeUInt32BE(crc >>> 0);
  const end = file.length - 12;
  return Buffer.concat([file.subarray(0, end), head, contents, tail, file.subarray(end)]);
}

describe('a PNG', () => {
  it('has a size, whoever wrote it', () => {
    expect(extentOfPng(png(7, { width: 640 }))).toEqual({ width: 640, height: 2 });
    // Portable Network Graphics (W3C, third edition) does not name an example file; this one is from memory: the smallest
    // that there is, one black pixel of one bit.
    const least =
      'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABAQAAAAA3bvkkAAAACklEQVR4nGNgAAAAAgABSK+kcQAAAABJRU5ErkJggg==';
    expect(extentOfPng(Buffer.from(least, 'base64'))).toEqual({ width: 1, height: 1 });
  });

  it('that is cut off, changed, begins otherwise or goes on behind its end is none', () => {
    const whole = png();
    for (let length = 0; length < whole.length; length += 1)
      expect(extentOfPng(whole.subarray(0, length)), `${length} bytes`).toBeNull();
    for (let at = 0; at < whole.length; at += 1) {
      const changed = Buffer.from(whole);
      changed[at] = (changed[at] ?? 0) ^ 0x10;
      expect(extentOfPng(changed), `byte ${at}`).toBeNull();
    }
    expect(extentOfPng(Buffer.concat([whole, Buffer.from('more')]))).toBeNull();
  });

  it('that has a text beside its pixels is not taken: what was covered could stand there', () => {
    // The checksum of "tEXt" followed by "a\0b", by the algorithm of annex D of the standard.
    const crc = crcOf(Buffer.from('tEXta\0b', 'latin1'));
    expect(extentOfPng(withChunk(png(), 'tEXt', Buffer.from('a\0b'), crc))).toBeNull();
    expect(
      extentOfPng(withChunk(png(), 'sRGB', Buffer.from([0]), crcOf(Buffer.from('sRGB\0', 'latin1')))),
    ).toEqual({
      width: 3,
      height: 2,
    });
  });
});

/** Annex D of the PNG standard ("Sample CRC implementation"), bit by bit. */
function crcOf(bytes: Buffer): number {
  let crc = 0xffffffff;
  for (const byte of bytes) {
    crc ^= byte;
    for (let bit = 0; bit < 8; bit += 1) crc = crc & 1 ? (crc >>> 1) ^ 0xedb88320 : crc >>> 1;
  }
  return (crc ^ 0xffffffff) >>> 0;
}

async function stored() {
  const store = new EventStore(database.db);
  const id = `s-${randomUUID()}`;
  await store.create(id, sessionOf('a: a1'));
  return { store, id, pictures: store.pictures };
}

/** What takes much room; nobody looks whether it is a picture any more. */
function large(size: number, nth: number): PictureFile {
  const file = Buffer.alloc(size, nth);
  return {
    digest: createHash('sha256').update(file).digest('hex'),
    png: file,
    width: 1,
    height: 1,
    bytes: size,
  };
}
const picture = (colour: number) => pictureOf(png(colour)) as PictureFile;

describe('pictures of a session', () => {
  it('are kept once each, found by what is in them, by their own session alone, and go with it', async () => {
    const { store, id, pictures } = await stored();
    const one = picture(1);
    expect(one.digest).toBe(createHash('sha256').update(one.png).digest('hex'));
    await Promise.all([pictures.keep(id, [one], []), pictures.keep(id, [one, picture(2)], [])]);
    expect(Buffer.from((await pictures.find(id, one.digest)) ?? [])).toEqual(Buffer.from(one.png));
    expect(Object.keys(await pictures.filesOf(id, [one.digest, 'f'.repeat(64)]))).toEqual([one.digest]);
    const other = await stored();
    expect(await pictures.find(other.id, one.digest)).toBeNull();
    await store.remove(id);
    expect(await pictures.find(id, one.digest)).toBeNull();
  });

  it('have so much room together, also for two that come at once: one of them is not kept', async () => {
    const { id, pictures } = await stored();
    const half = ALL_PICTURES / 2;
    await pictures.keep(id, [large(half, 1)], []);
    const both = await Promise.allSettled([2, 3].map((nth) => pictures.keep(id, [large(half, nth)], [])));
    expect(both.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected']);
    await expect(pictures.keep(id, [picture(1)], [])).rejects.toMatchObject({
      type: 'no-room-for-pictures',
      status: 413,
    });
    expect(await pictures.find(id, picture(1).digest)).toBeNull();
  });

  it('keep no command waiting while they are stored', async () => {
    const { store, id, pictures } = await stored();
    let letOn: () => void = () => undefined;
    const until = new Promise<void>((resolve) => (letOn = resolve));
    onTestFinished(() => letOn());
    const { db } = database;
    // Nobody writes a picture now, so that keeping one stops in the middle.
    const held = db.write.transaction().execute(async (trx) => {
      await sql`lock table picture in exclusive mode`.execute(trx);
      await until;
    });
    const waiting = sql<object>`select 1 from pg_locks where relation = 'picture'::regclass and not granted`;
    const keeping = pictures.keep(id, [picture(1)], []);
    await expect.poll(async () => (await waiting.execute(db.read)).rows.length).toBe(1);
    expect(await store.append(id, flip('a1'))).toMatchObject({ kind: 'appended' });
    letOn();
    await Promise.all([held, keeping]);
    expect(await pictures.find(id, picture(1).digest)).not.toBeNull();
  });

  it('that no document names make room after a week; those that one does stay', async () => {
    const { id, pictures } = await stored();
    const [named, fresh, old] = [picture(1), picture(2), picture(3)];
    await pictures.keep(id, [named, fresh, old], []);
    const age = (digest: string) =>
      sql`update picture set made_at = now() - interval '8 days' where session_id = ${id} and digest = ${digest}`.execute(
        database.db.write,
      );
    await Promise.all([age(named.digest), age(old.digest)]);
    await pictures.keep(id, [picture(4)], [named.digest]);
    const there = await pictures.filesOf(
      id,
      [named, fresh, old].map(({ digest }) => digest),
    );
    expect(Object.keys(there).sort()).toEqual([named.digest, fresh.digest].sort());
  });
});
