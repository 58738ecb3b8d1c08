import { PNG } from 'pngjs';
import type { RenderExtension } from 'x11';
import type { Extent } from '../../lib/core/model/geometry';
import type { XConnection } from './x-connection';

/** What a picture is taken of: something that can be drawn on, at the server. */
export interface Source extends Extent {
  readonly drawable: number;
  /** Bits of a pixel: 24, or 32 where it has transparency. */
  readonly depth: number;
}

/** RENDER's operator that copies (X Rendering Extension 0.11, 5). */
const SRC = 1;
const DEPTH = 24;
/** X's format of images that has all planes of a pixel together (X11 protocol, GetImage). */
export const Z_PIXMAP = 2;
/** All bits of a pixel. */
export const ALL_PLANES = 0xffffffff;
/** What is wider than high is at most so many times as high as wide: a log that nobody could read anyway. */
const TALLEST = 2;

/**
 * A picture of something, at most so wide, as a PNG. It is made small where it is: in halves, each pixel the mean of four,
 * then the rest; so that only what is small is sent.
 * @throws if what it is taken of is gone
 */
export async function smallPicture(
  connection: XConnection,
  render: RenderExtension,
  source: Source,
  width: number,
): Promise<Buffer> {
  const { client, root } = connection;
  const scale = Math.min(1, width / source.width, (TALLEST * width) / source.height);
  const wanted = sized(source.width * scale, source.height * scale);
  let picture = client.AllocID();
  render.CreatePicture(picture, source.drawable, source.depth === 32 ? render.rgba32 : render.rgb24, {
    subwindowMode: 1,
  });
  let pixmap: number | null = null;
  let now: Extent = source;
  do {
    const next = {
      width: Math.max(wanted.width, Math.ceil(now.width / 2)),
      height: Math.max(wanted.height, Math.ceil(now.height / 2)),
    };
    const half = client.AllocID();
    client.CreatePixmap(half, root, DEPTH, next.width, next.height);
    const to = client.AllocID();
    render.CreatePicture(to, half, render.rgb24, {});
    render.SetPictureFilter(picture, 'bilinear', []);
    render.SetPictureTransform(picture, [
      now.width / next.width,
      0,
      0,
      0,
      now.height / next.height,
      0,
      0,
      0,
      1,
    ]);
    render.Composite(SRC, picture, 0, to, 0, 0, 0, 0, 0, 0, next.width, next.height);
    render.FreePicture(picture);
    if (pixmap !== null) client.FreePixmap(pixmap);
    [picture, pixmap, now] = [to, half, next];
  } while (now.width > wanted.width || now.height > wanted.height);
  render.FreePicture(picture);
  const small = pixmap;
  const reading = connection.reply<{ data: Buffer }>((done) =>
    client.GetImage(Z_PIXMAP, small, 0, 0, now.width, now.height, ALL_PLANES, done),
  );
  client.FreePixmap(small);
  return encoded((await reading).data, now);
}

const sized = (width: number, height: number): Extent => ({
  width: Math.max(1, Math.round(width)),
  height: Math.max(1, Math.round(height)),
});

/** A PNG of a server's pixels: blue, green, red, and a byte that means nothing. */
function encoded(pixels: Buffer, { width, height }: Extent): Buffer {
  const png = new PNG({ width, height });
  for (let at = 0; at < 4 * width * height; at += 4) {
    png.data[at] = pixels[at + 2] ?? 0;
    png.data[at + 1] = pixels[at + 1] ?? 0;
    png.data[at + 2] = pixels[at] ?? 0;
    png.data[at + 3] = 0xff;
  }
  return PNG.sync.write(png, { colorType: 2, deflateLevel: 3, filterType: 1 });
}
