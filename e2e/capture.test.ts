/** Pictures of the desk: taken, cut, marked, blotted out and kept, by keys and by the pointer. */
import { readFile } from 'node:fs/promises';
import { PNG } from 'pngjs';
import { describe, expect, inject, it } from 'vitest';
import { PICTURE, picturesIn } from '../src/lib/core/capture/picture';
import { windowOf } from '../src/lib/core/slices/windows/selectors';
import { BLOT_COLOUR } from '../src/lib/ui/capture/inks';
import { at } from './support/at';
import { atEllavane, atSession, openPage, storedSession, useBrowser, type Person } from './support/browser';

useBrowser();

const marking = ({ page }: Person) => page.getByRole('dialog', { name: 'Mark the picture' });
const focused = ({ page }: Person) => page.locator('button:focus');

/** Chooses what a picture is taken of, by what its row says, and waits until it is there to be marked. */
async function take(person: Person, what: string): Promise<void> {
  await person.chord('Shift+Y');
  await expect.poll(() => focused(person).count()).toBe(1);
  for (let row = 0; row < 20 && !(await focused(person).textContent())?.includes(what); row += 1)
    await person.press('ArrowDown');
  await person.press('Enter');
  await marking(person).waitFor();
  await person.page.locator('.konvajs-content canvas').waitFor();
}

/** The pictures that are kept, the first one first. */
async function kept({ session }: Person) {
  return picturesIn((await storedSession(session)).session);
}

async function fileOf({ session }: Person, digest: string): Promise<Buffer> {
  const response = await fetch(`${inject('baseUrl')}/api/sessions/${session}/captures/${digest}`);
  expect([response.status, response.headers.get('cache-control')]).toEqual([200, 'no-store']);
  return Buffer.from(await response.arrayBuffer());
}

/** Keeps what is marked, and answers with its file. */
async function keep(person: Person): Promise<{ digest: string; file: Buffer }> {
  const before = (await kept(person)).length;
  await person.press('s');
  await expect.poll(() => marking(person).count()).toBe(0);
  await expect.poll(async () => (await kept(person)).length).toBe(before + 1);
  const { digest, width, height, bytes } = (await kept(person)).at(-1) as NonNullable<
    Awaited<ReturnType<typeof kept>>[number]
  >;
  const file = await fileOf(person, digest);
  const read = PNG.sync.read(file);
  expect([width, height, bytes]).toEqual([read.width, read.height, file.length]);
  return { digest, file };
}

/** The types of the chunks of a PNG, each once. */
function chunksOf(file: Buffer): string[] {
  const types = new Set<string>();
  for (let offset = 8; offset < file.length; offset += 12 + file.readUInt32BE(offset))
    types.add(file.toString('latin1', offset + 4, offset + 8));
  return [...types];
}

const pixel = ({ data, width }: PNG, x: number, y: number): number => data.readUIntBE(4 * (y * width + x), 3);

describe('what is blotted out', () => {
  it('is in the file no more: every pixel of it is the blot’s, whatever was there, and nothing stands beside the pixels', async () => {
    const person = await at(atEllavane());
    await take(person, 'Timber Quay');
    const bare = PNG.sync.read((await keep(person)).file);
    await take(person, 'Timber Quay');
    await person.press('x', 'ArrowLeft', 'Enter');
    const { digest, file } = await keep(person);
    expect(chunksOf(file).filter((type) => !['IHDR', 'sRGB', 'IDAT', 'IEND'].includes(type))).toEqual([]);
    const blotted = PNG.sync.read(file);
    expect([blotted.width, blotted.height]).toEqual([bare.width, bare.height]);
    // As it was drawn: 240 by 140 in the middle, and a step to the left.
    const [left, top] = [Math.floor(bare.width / 2 - 120) - 24, Math.floor(bare.height / 2 - 70)];
    const colour = Number.parseInt(BLOT_COLOUR.slice(1), 16);
    let differing = 0;
    for (let y = 0; y < bare.height; y += 1)
      for (let x = 0; x < bare.width; x += 1) {
        const inside = x >= left && x < left + 240 && y >= top && y < top + 140;
        if (inside) expect(pixel(blotted, x, y)).toBe(colour);
        else if (pixel(blotted, x, y) !== pixel(bare, x, y)) differing += 1;
      }
    expect(differing).toBe(0);
    // Something else under the same blot makes the same file, to the last byte.
    await take(person, 'Timber Quay');
    await person.press('t');
    await person.page.keyboard.type('secret');
    await person.press('Enter', 'ArrowLeft', 'Enter', 'x', 'ArrowLeft', 'Enter');
    expect((await keep(person)).digest).toBe(digest);
  });
});

describe('a picture', () => {
  it('of a part of everything is cut out by arrow keys, marked, undone, kept, found, opened and marked once more', async () => {
    const person = await at(atEllavane());
    const { page } = person;
    await take(person, 'A part');
    await person.press('Shift+ArrowRight', 'Shift+ArrowDown', 'Enter');
    await expect.poll(() => marking(person).textContent()).toContain('264 × 164, 0 marks');
    await person.press(
      'b',
      'Enter',
      'n',
      'Control+ArrowUp',
      'Enter',
      'l',
      'ArrowRight',
      'ArrowDown',
      'Enter',
    );
    await expect.poll(() => marking(person).textContent()).toContain('264 × 164, 3 marks');
    await person.press('z', 'Control+z', 'Shift+Z');
    await expect.poll(() => marking(person).textContent()).toContain('2 marks');
    await person.press('r');
    await expect.poll(() => marking(person).textContent()).toContain('1280 × 800, 0 marks');
    await person.press('Control+z');
    await keep(person);
    const front = await person.frontName();
    expect(front).toContain('Lock Sill');
    await person.chord('Q');
    await page.keyboard.type('picture of the desk');
    await person.press('Enter');
    const shown = page.locator('section[aria-current=true] img[alt^="Picture of the desk"]');
    await expect.poll(() => shown.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBe(264);
    await person.press('m');
    await marking(person).waitFor();
    await expect.poll(() => marking(person).textContent()).toContain('264 × 164, 0 marks');
  });

  it('of everything is as the browser itself shows the page', async () => {
    const person = await at(atEllavane());
    const seen = PNG.sync.read(await person.page.screenshot());
    await take(person, 'Everything');
    const taken = PNG.sync.read((await keep(person)).file);
    expect([taken.width, taken.height]).toEqual([seen.width, seen.height]);
    let differing = 0;
    for (let offset = 0; offset < seen.data.length; offset += 4)
      if (
        [0, 1, 2].some(
          (nth) => Math.abs((seen.data[offset + nth] ?? 0) - (taken.data[offset + nth] ?? 0)) > 64,
        )
      )
        differing += 1;
    // Letters may stand half a pixel beside where they stood; nothing else may.
    expect(differing / (seen.width * seen.height)).toBeLessThan(0.015);
  });

  it('of one window that others lie over shows all of it, and leaves everything where it is', async () => {
    const person = await at(atSession('a: a1 a2 a3'));
    const window = person.page.locator('#window-a3');
    // Nothing of it is to be seen, so it has no content so far.
    expect(await window.count()).toBe(0);
    await take(person, 'a3');
    await person.press('d');
    await expect.poll(() => window.evaluate((one) => getComputedStyle(one).contentVisibility)).toBe('hidden');
    await person.press('Escape');
    expect(await person.frontName()).toContain('a1');
    // It can be had again, and is the same.
    await take(person, 'dropped last');
    const { session } = await storedSession(person.session);
    const { width, height } = windowOf(session, 'a3').geometry;
    await expect.poll(() => marking(person).textContent()).toContain(`${width} × ${height}`);
    const [download] = await Promise.all([person.page.waitForEvent('download'), person.press('d')]);
    const picture = PNG.sync.read(await readFile(await download.path()));
    const colours = new Set<number>();
    for (let x = 40; x < picture.width - 10; x += 1) colours.add(pixel(picture, x, 15));
    // Its title is written there, on paper.
    expect(colours.size).toBeGreaterThan(4);
  });

  it('is marked by the pointer; what was dropped comes back with its marks', async () => {
    const person = await at(atEllavane());
    const { page } = person;
    await take(person, 'Everything');
    const canvas = page.locator('.konvajs-content');
    const box = (await canvas.boundingBox()) as { x: number; y: number; width: number; height: number };
    const drag = async (x: number, y: number, to: number, down: number) => {
      await page.mouse.move(box.x + x, box.y + y);
      await page.mouse.down();
      await page.mouse.move(box.x + to, box.y + down, { steps: 4 });
      await page.mouse.up();
    };
    await drag(10, 10, 60, 60);
    await expect.poll(() => marking(person).textContent()).toContain('0 marks');
    await page.getByRole('button', { name: 'Box' }).click();
    await drag(300, 300, 100, 100);
    await drag(320, 300, 400, 380);
    await page.getByRole('button', { name: 'Blot out' }).click();
    await drag(10, 10, 60, 60);
    await expect.poll(() => marking(person).textContent()).toContain('3 marks');
    await page.getByRole('button', { name: 'larger' }).click();
    await expect.poll(() => marking(person).textContent()).toContain('100 %');
    await person.press('Escape');
    await expect.poll(() => marking(person).count()).toBe(0);
    await take(person, 'dropped last');
    await expect.poll(() => marking(person).textContent()).toContain('3 marks');
    await keep(person);
    await person.chord('Shift+Y');
    await expect.poll(() => focused(person).count()).toBe(1);
    expect(await page.getByText('dropped last').count()).toBe(0);
  });

  it('that is stored late closes nothing that was opened meanwhile', async () => {
    const person = await at(atEllavane());
    const { page } = person;
    await take(person, 'Everything');
    let letOn: () => void = () => undefined;
    const until = new Promise<void>((resolve) => (letOn = resolve));
    await page.route('**/captures', async (route) => {
      await until;
      await route.continue();
    });
    const asked = page.waitForRequest('**/captures');
    await person.press('s');
    await asked;
    await person.press('Escape');
    await expect.poll(() => marking(person).count()).toBe(0);
    await person.chord('Shift+G');
    const rollCall = page.getByRole('dialog', { name: 'Roll call' });
    await rollCall.waitFor();
    letOn();
    await expect.poll(async () => (await kept(person)).length).toBe(1);
    await page.getByRole('status').getByText('kept').waitFor();
    expect(await rollCall.count()).toBe(1);
  });

  it('waits as long as is wanted, says so, is not in itself, and is not taken if one thinks better of it', async () => {
    const person = await at(atEllavane());
    const { page } = person;
    const timer = page.getByRole('timer');
    await person.chord('Shift+Y');
    await expect.poll(() => focused(person).count()).toBe(1);
    await person.press('d', 'd', 'd');
    await expect.poll(() => page.getByText('after 10 s').count()).toBe(1);
    await person.press('Enter');
    await expect.poll(() => timer.textContent()).toMatch(/^\s*(10|[5-9])\D/);
    // Meanwhile one goes on: the chord takes it back.
    await person.chord('S');
    expect(await person.frontName()).not.toContain('Lock Sill');
    await person.chord('Shift+Y');
    await expect.poll(() => timer.count()).toBe(0);
    expect(await page.getByRole('dialog').count()).toBe(0);
    await person.chord('Shift+Y');
    await expect.poll(() => focused(person).count()).toBe(1);
    await person.press('d', 'd', 'Enter');
    await marking(person).waitFor();
    await page.locator('.konvajs-content canvas').waitFor();
    const { file } = await keep(person);
    const picture = PNG.sync.read(file);
    const marigold = 0xf4c95d;
    // Where the countdown was: above the foot line, in the middle.
    for (let x = 500; x < 780; x += 1) expect(pixel(picture, x, 745)).not.toBe(marigold);
  });

  it('goes with its session into an export, and comes back from it', async () => {
    const person = await at(atEllavane());
    await take(person, 'Timber Quay');
    const { digest, file } = await keep(person);
    const exported = await (
      await fetch(`${inject('baseUrl')}/api/sessions/${person.session}/document`)
    ).text();
    const post = (body: string) =>
      fetch(`${inject('baseUrl')}/api/sessions`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body,
      });
    const { id } = (await (await post(exported)).json()) as { id: string };
    expect(await fileOf({ session: id } as Person, digest)).toEqual(file);
    const wrong = exported.replace(/"pictures":\{"([0-9a-f]{64})"/, `"pictures":{"${'0'.repeat(64)}"`);
    const refused = await post(wrong);
    expect([refused.status, await refused.json()]).toMatchObject([
      422,
      { errors: [{ pointer: `#/pictures/${'0'.repeat(64)}` }] },
    ]);
    // Without its picture the document says so.
    const bare = JSON.stringify({ ...(JSON.parse(exported) as object), pictures: undefined });
    const other = ((await (await post(bare)).json()) as { id: string }).id;
    const elsewhere = await at(openPage(other));
    await elsewhere.chord('Q');
    const { session } = await storedSession(other);
    await elsewhere.page.keyboard.type(session.documents.find(({ kind }) => kind === PICTURE)?.title ?? '');
    await elsewhere.press('Enter');
    await expect.poll(() => elsewhere.page.getByText('its document came without it').count()).toBe(1);
  });
});

it('what is no picture is not kept, and says why', async () => {
  const { session } = await at(atSession('a: a1'));
  const send = async (body: Buffer, type = 'image/png') => {
    const response = await fetch(`${inject('baseUrl')}/api/sessions/${session}/captures`, {
      method: 'POST',
      headers: { 'content-type': type },
      body: new Uint8Array(body),
    });
    return [response.status, ((await response.json()) as { type: string }).type];
  };
  expect(await send(Buffer.from('no picture'))).toEqual([422, '/problems/not-a-picture']);
  expect(await send(Buffer.from('{}'), 'application/json')).toEqual([415, '/problems/not-declared-as-png']);
  expect(await send(Buffer.alloc(8 * 1024 * 1024 + 1))).toEqual([413, '/problems/body-too-large']);
});
