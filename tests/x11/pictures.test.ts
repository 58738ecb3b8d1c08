/** Pictures of windows, decoded by the package that reads PNG: what is in them is what the programs drew. */
import { PNG } from 'pngjs';
import { afterAll, beforeAll, describe, expect, it, onTestFinished } from 'vitest';
import { Countdown } from '../../src/agent/x11/countdown';
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

/** A picture as large as it is. */
async function shot({ pictures }: Scene, window: string | null): Promise<PNG | null> {
  const png = await pictures.shoot(window);
  return png && PNG.sync.read(png);
}
const pixelAt = ({ width, data }: PNG, x: number, y: number): number =>
  data.readUIntBE(4 * (y * width + x), 3);

describe('as large as it is', () => {
  it('is a window, pixel by pixel, though others lie over it', async () => {
    const a = await scene('a: a1 | b: b1');
    await draw(a, 'b1', 0x336699);
    await pictureOf(a, 'b1');
    const { client } = a.desk.clients[1]?.connection ?? display.connection;
    const xid = a.desk.reading.find('b1')?.xid ?? 0;
    client.ChangeWindowAttributes(xid, { backgroundPixel: 0x010203 });
    client.ClearArea(xid, 299, 199, 1, 1, 0);
    await client.sync();
    const picture = (await shot(a, 'b1')) as PNG;
    expect([picture.width, picture.height]).toEqual([300, 200]);
    expect([pixelAt(picture, 0, 0), pixelAt(picture, 299, 199), pixelAt(picture, 298, 199)]).toEqual([
      0x336699, 0x010203, 0x336699,
    ]);
  });

  it('is the screen as the server has it, and of what is left out nothing', async () => {
    const a = await scene('a: a1 | b: b1');
    await draw(a, 'a1', 0x660000);
    await draw(a, 'b1', 0x006600);
    await pictureOf(a, 'b1');
    const { x, y, width, height } = a.desk.reading.find('a1')?.geometry ?? {
      x: 0,
      y: 0,
      width: 0,
      height: 0,
    };
    const middle = [x + Math.round(width / 2), y + Math.round(height / 2)] as const;
    const screen = (await shot(a, null)) as PNG;
    expect({ width: screen.width, height: screen.height }).toEqual({
      width: display.connection.screen.width,
      height: display.connection.screen.height,
    });
    expect(pixelAt(screen, ...middle)).toBe(0x660000);
    // Every pixel as the server itself tells it: blue, green, red.
    const there = await display.connection.pixels(0, 0, screen.width, screen.height);
    for (let at = 0; at < there.length; at += 4)
      if (there.readUIntLE(at, 3) !== screen.data.readUIntBE(at, 3)) expect.fail(`pixel ${at / 4}`);
    a.pictures.allow({ ...ALL, except: ['a'] });
    const left = (await shot(a, null)) as PNG;
    const colours = new Set<number>();
    for (let at = 0; at < left.data.length; at += 4) colours.add(left.data.readUIntBE(at, 3));
    expect(colours.has(0x660000)).toBe(false);
    expect(pixelAt(left, ...middle)).toBe(0x444444);
    expect(await shot(a, 'a1')).toBeNull();
  });

  it('is nothing where nothing may be pictured, or it is not there', async () => {
    const a = await scene('a: a1', { ...ALL, allowed: false });
    expect([await shot(a, null), await shot(a, 'a1')]).toEqual([null, null]);
    a.pictures.allow(ALL);
    expect(await shot(a, 'w-nowhere')).toBeNull();
    expect(await shot(a, null)).not.toBeNull();
    a.pictures.allow({ ...ALL, allowed: false });
    expect(await shot(a, null)).toBeNull();
  });
});

it('a wait is shown on the display, a square a second, and is gone from it in time', async () => {
  const { connection } = display;
  const countdown = new Countdown(connection);
  const { width, height } = connection.screen;
  const squares = async () => {
    const bytes = await connection.pixels(0, height - 76, width, 1);
    const row = Array.from({ length: width }, (_, x) => bytes.readUIntLE(4 * x, 3) === 0xf4c95d);
    return row.filter((lit, x) => lit && !row[x - 1]).length;
  };
  for (const seconds of [3, 2, 1, 0, 5, null] as const) {
    countdown.show(seconds);
    await connection.client.sync();
    expect(await squares()).toBe(seconds ?? 0);
  }
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
