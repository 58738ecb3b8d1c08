/** Pictures of windows, decoded by the package that reads PNG: what is in them is what the programs drew. */
import { PNG } from 'pngjs';
import { afterAll, beforeAll, describe, expect, it, onTestFinished } from 'vitest';
import { Pictures } from '../../src/agent/x11/pictures';
import type { Picture, PicturesAllowed } from '../../src/lib/core/display/pictures';
import { Display } from '../../testing/display/display';
import { DisplayDesk } from '../../testing/display/display-desk';

let display: Display;
beforeAll(async () => {
  display = await Display.open();
});
afterAll(() => display.close());

const ALL: PicturesAllowed = { type: 'pictures', allowed: true, except: [] };
/** What windows of these tests are filled with, as `XClient` makes them. */
const PAPER = [0xff, 0xfd, 0xf7];

interface Scene {
  readonly desk: DisplayDesk;
  readonly pictures: Pictures;
  readonly look: (window: string, seen?: string | null, width?: number) => Promise<Picture | null>;
}

async function scene(line: string, allowed = ALL): Promise<Scene> {
  const desk = await DisplayDesk.of(display, line);
  const pictures = new Pictures(desk.reading, display.name);
  onTestFinished(async () => {
    pictures.stop();
    await desk.close();
  });
  pictures.allow(allowed);
  return {
    desk,
    pictures,
    look: async (window, seen = null, width = 160) =>
      (await pictures.look([{ window, width, seen }]))[0] ?? null,
  };
}

/** The first picture of a window that can be had. */
async function pictureOf({ look }: Scene, window: string, width?: number): Promise<Picture> {
  let picture: Picture | null = null;
  await expect.poll(async () => (picture = await look(window, null, width))).not.toBeNull();
  return picture as unknown as Picture;
}

/** A window draws over all of itself. */
async function draw({ desk }: Scene, window: string, colour: number): Promise<void> {
  const xid = desk.reading.find(window)?.xid ?? 0;
  for (const { connection } of desk.clients) {
    connection.client.ChangeWindowAttributes(xid, { backgroundPixel: colour });
    connection.client.ClearArea(xid, 0, 0, 0, 0, 0);
    await connection.client.sync();
  }
}

function pixels({ png }: Picture): { width: number; height: number; colours: string[] } {
  const { width, height, data } = PNG.sync.read(Buffer.from(png, 'base64'));
  const colours = new Set<string>();
  for (let at = 0; at < data.length; at += 4) colours.add([...data.subarray(at, at + 3)].join());
  return { width, height, colours: [...colours] };
}

describe('a picture', () => {
  it('is what the window shows, small, though others lie over it', async () => {
    const a = await scene('a: a1 | b: b1');
    await draw(a, 'b1', 0x336699);
    const { width, height, colours } = pixels(await pictureOf(a, 'b1'));
    // 300 x 200, made 160 wide.
    expect([width, height]).toEqual([160, 107]);
    await expect.poll(async () => pixels(await pictureOf(a, 'b1')).colours).toEqual(['51,102,153']);
    expect(colours).toHaveLength(1);
    expect(pixels(await pictureOf(a, 'a1')).colours).toEqual([PAPER.join()]);
  });

  it('is not made larger than the window is', async () => {
    const a = await scene('a: a1');
    expect(pixels(await pictureOf(a, 'a1', 2_000))).toMatchObject({ width: 300, height: 200 });
  });

  it('is made of a mean: what is smaller than a pixel is not lost', async () => {
    const a = await scene('a: a1');
    await pictureOf(a, 'a1');
    const { client } = a.desk.clients[0]?.connection ?? display.connection;
    const xid = a.desk.reading.find('a1')?.xid ?? 0;
    // Every other column is black.
    client.ChangeWindowAttributes(xid, { backgroundPixel: 0 });
    for (let x = 0; x < 300; x += 2) client.ClearArea(xid, x, 0, 1, 200, 0);
    await client.sync();
    const greys = async () =>
      pixels(await pictureOf(a, 'a1')).colours.map((colour) => Number(colour.split(',')[0]));
    await expect.poll(async () => Math.max(...(await greys()))).toBeLessThan(0xff);
    expect(Math.min(...(await greys()))).toBeGreaterThan(0);
  });

  it('is not sent again while nothing has changed, and is once something has', async () => {
    const a = await scene('a: a1');
    const first = await pictureOf(a, 'a1');
    expect(await a.look('a1', first.version)).toBeNull();
    await draw(a, 'a1', 0xffffff);
    await expect.poll(async () => (await a.look('a1', first.version))?.version).toBeDefined();
    expect(pixels(await pictureOf(a, 'a1')).colours).toEqual(['255,255,255']);
  });

  it('follows a window that becomes another size', async () => {
    const a = await scene('a: a1');
    await pictureOf(a, 'a1');
    const { client } = a.desk.clients[0]?.connection ?? display.connection;
    client.ResizeWindow(a.desk.reading.find('a1')?.xid ?? 0, 100, 100);
    await expect
      .poll(async () => pixels(await pictureOf(a, 'a1')))
      .toMatchObject({ width: 100, height: 100 });
  });

  it('stays of a window that is minimised, as it was last', async () => {
    const a = await scene('a: a1 | b: b1');
    await draw(a, 'a1', 0x660000);
    await expect.poll(async () => pixels(await pictureOf(a, 'a1')).colours).toEqual(['102,0,0']);
    await draw(a, 'a1', 0x006600);
    await a.desk.take([
      {
        id: 'm',
        commands: [{ type: 'minimise', window: 'a1', id: 'm1', at: new Date().toISOString() }],
      } as never,
    ]);
    expect(a.desk.reading.find('a1')?.minimised).toBe(true);
    await expect.poll(async () => pixels(await pictureOf(a, 'a1')).colours).toEqual(['0,102,0']);
  });

  it('is there of a window that came later, and not of one that is gone', async () => {
    const a = await scene('a: a1');
    await pictureOf(a, 'a1');
    await a.desk.clients[0]?.show({ title: 'a2', id: 'a2' });
    await expect.poll(() => a.desk.reading.find('a2')).toBeDefined();
    a.pictures.follow();
    await pictureOf(a, 'a2');
    for (const client of a.desk.clients) client.close();
    await expect.poll(() => a.desk.reading.find('a2')).toBeUndefined();
    expect(await a.look('a2')).toBeNull();
  });
});

describe('none is made', () => {
  it('before it is said that any may be', async () => {
    const a = await scene('a: a1', { ...ALL, allowed: false });
    a.pictures.follow();
    expect(await a.look('a1')).toBeNull();
    a.pictures.allow(ALL);
    await pictureOf(a, 'a1');
  });

  it('of a program that is left out, from when it is', async () => {
    const a = await scene('a: a1 | b: b1');
    await pictureOf(a, 'a1');
    a.pictures.allow({ ...ALL, except: ['a'] });
    await pictureOf(a, 'b1');
    expect(await a.look('a1')).toBeNull();
  });

  it('once none may be any more', async () => {
    const a = await scene('a: a1');
    await pictureOf(a, 'a1');
    a.pictures.allow({ ...ALL, allowed: false });
    await expect.poll(() => a.look('a1')).toBeNull();
  });
});
