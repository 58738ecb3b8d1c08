import { ALL_PICTURES } from '../../core/capture/picture';
import type { SessionDocument } from '../../core/formats/session-document';
import { pointerTo, Problem } from '../http/problem';
import { pictureOf, type PictureFile } from '../pictures/kept-pictures';

/**
 * The files of the pictures in a session document that keeps the rules.
 * @throws Problem `not-a-session-document` if one is no picture, or another than its name says; `no-room-for-pictures`
 */
export function picturesFrom({ pictures = {} }: SessionDocument): PictureFile[] {
  const files = Object.entries(pictures).map(([digest, file]) => named(digest, Buffer.from(file, 'base64')));
  if (files.reduce((sum, { bytes }) => sum + bytes, 0) > ALL_PICTURES)
    throw new Problem('no-room-for-pictures', `They may have ${ALL_PICTURES / 1024 / 1024} MiB together.`);
  return files;
}

function named(digest: string, png: Buffer): PictureFile {
  const picture = pictureOf(png);
  if (picture?.digest === digest) return picture;
  const detail = picture ? `has the SHA-256 ${picture.digest}` : 'is no PNG of pixels alone';
  throw new Problem('not-a-session-document', `The picture ${digest} ${detail}.`, [
    { pointer: pointerTo(['pictures', digest]), detail },
  ]);
}
