import { PNG } from 'pngjs';
import type { Area } from '../../lib/core/capture/area';
import type { XConnection } from './x-connection';
import { ALL_PLANES, Z_PIXMAP, type Source } from './small-picture';

/** What stands in a picture where something must not be pictured. */
const COVER = Uint8Array.of(0x44, 0x44, 0x44, 0xff);
/** PNG's filter "Sub" (ISO/IEC 15948, 9.2), alone: what is on a screen is mostly like what is to its left. */
const SUB = 1;
const QUICKLY = 3;

/**
 * A picture of something as large as it is, as a PNG. `covered` tells which parts are painted over before anything
 * leaves here; it is asked before and after, because what it is about may move meanwhile.
 * The compressing is done in threads of the platform's, so that keys are handed on meanwhile.
 * @throws if what it is taken of is gone
 */
export async function fullPicture(
  connection: XConnection,
  { drawable, width, height }: Pick<Source, 'drawable' | 'width' | 'height'>,
  covered: () => Promise<readonly Area[]> = async () => [],
): Promise<Buffer> {
  const before = await covered();
  const { data } = await connection.reply<{ data: Buffer }>((done) =>
    connection.client.GetImage(Z_PIXMAP, drawable, 0, 0, width, height, ALL_PLANES, done),
  );
  const areas = [...before, ...(await covered())];
  const png = new PNG({
    width,
    height,
    colorType: 2,
    inputHasAlpha: true,
    filterType: SUB,
    deflateLevel: QUICKLY,
  });
  for (let at = 0; at < 4 * width * height; at += 4) {
    png.data[at] = data[at + 2] ?? 0;
    png.data[at + 1] = data[at + 1] ?? 0;
    png.data[at + 2] = data[at] ?? 0;
    png.data[at + 3] = 0xff;
  }
  for (const area of areas) cover(png, area);
  return packed(png);
}

const packed = (png: PNG): Promise<Buffer> =>
  new Promise((resolve, reject) => {
    const pieces: Buffer[] = [];
    png.on('data', (piece: Buffer) => pieces.push(piece));
    png.once('end', () => resolve(Buffer.concat(pieces)));
    png.once('error', reject);
    png.pack();
  });

function cover(png: PNG, { x, y, width, height }: Area): void {
  const [left, right] = [Math.max(0, x), Math.min(png.width, x + width)];
  for (let row = Math.max(0, y); row < Math.min(png.height, y + height); row += 1)
    if (right > left) png.data.fill(COVER, 4 * (row * png.width + left), 4 * (row * png.width + right));
}
