import { crc32 } from 'node:zlib';
import { FARTHEST } from '../../core/model/limits';
import type { Extent } from '../../core/model/geometry';

const SIGNATURE = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]);
/** Length and type before what is in a chunk, its checksum after it. */
const AROUND = 12;
/**
 * Chunks that say how the pixels look. Nothing else is let in: what is covered in a picture must not stand beside it, in a
 * text, a small copy or an earlier version.
 */
const CHUNKS: ReadonlySet<string> = new Set([
  ...['IHDR', 'PLTE', 'IDAT', 'IEND', 'tRNS'],
  ...['cHRM', 'gAMA', 'iCCP', 'sBIT', 'sRGB', 'bKGD', 'pHYs'],
]);

/**
 * Looks a PNG (ISO/IEC 15948, W3C Portable Network Graphics) through, chunk by chunk: order, checksums, no more than the
 * picture. Whether its pixels can be decoded is not looked at.
 * @returns its size in pixels; null if it is none
 */
export function extentOfPng(file: Uint8Array): Extent | null {
  const bytes = Buffer.from(file.buffer, file.byteOffset, file.byteLength);
  if (!bytes.subarray(0, SIGNATURE.length).equals(SIGNATURE)) return null;
  let extent: Extent | null = null;
  let pixels = false;
  for (let at = SIGNATURE.length; at + AROUND <= bytes.length;) {
    const length = bytes.readUInt32BE(at);
    const type = bytes.toString('latin1', at + 4, at + 8);
    const end = at + AROUND + length;
    if (end > bytes.length || !CHUNKS.has(type) || (extent === null) !== (type === 'IHDR')) return null;
    if (crc32(bytes.subarray(at + 4, end - 4)) !== bytes.readUInt32BE(end - 4)) return null;
    if (type === 'IHDR')
      extent = length === 13 ? sized(bytes.readUInt32BE(at + 8), bytes.readUInt32BE(at + 12)) : null;
    if (type === 'IHDR' && extent === null) return null;
    pixels ||= type === 'IDAT';
    if (type === 'IEND') return pixels && end === bytes.length ? extent : null;
    at = end;
  }
  return null;
}

const sized = (width: number, height: number): Extent | null =>
  width > 0 && height > 0 && width <= FARTHEST && height <= FARTHEST ? { width, height } : null;
