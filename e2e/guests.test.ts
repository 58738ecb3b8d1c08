/** Web pages as applications, on an origin of their own, in a browser. */
import type { Page } from 'playwright-core';
import { describe, expect, inject, it } from 'vitest';
import { ellavane } from '../src/lib/demo/ellavane';
import { at } from './support/at';
import {
  createSession,
  newContext,
  openPage,
  storedSession,
  useBrowser,
  type Person,
} from './support/browser';

useBrowser();

const atPages = async (): Promise<Person> =>
  openPage(await createSession(ellavane(new Date(), inject('pagesUrl'))));

/** Searches and chooses the best result. */
async function choose(person: Person, letters: string) {
  await person.chord('Q');
  await person.page.keyboard.type(letters);
  await person.selectedLeaf.waitFor();
  await person.press('Enter');
}
/** The page inside the frame inside the frame. */
const inside = (person: Person) => person.page.frameLocator('main iframe').frameLocator('iframe');
const strip = (person: Person) => person.page.getByRole('main').getByRole('button', { name: /keys/ }).first();
const dialog = (person: Person) => person.page.getByRole('dialog', { name: 'Web pages as applications' });
const status = (person: Person) => dialog(person).getByRole('status');

describe('a page in a frame', () => {
  it('gets the keys by Enter, gives them back at either end, and the way back is always in sight', async () => {
    const person = await at(atPages());
    await choose(person, 'notice board');
    await inside(person).getByRole('heading', { name: 'Notice Board' }).waitFor();
    expect(await person.frontName()).toBe('Notice Board — Notice Board');
    await person.press('Enter', 'Tab');
    await person.page.keyboard.type('Fog at the bar');
    await person.press('Enter');
    await inside(person).getByText('Fog at the bar').waitFor();
    await person.page.getByText('The page has the keys').waitFor();
    // The hold key goes to the page.
    await person.hold('S');
    await person.release();
    expect(await person.frontName()).toBe('Notice Board — Notice Board');
    // Past the last thing in it (a button and two links) are Key Fold’s own keys again.
    await person.press('Tab', 'Tab', 'Tab', 'Tab');
    await expect.poll(() => strip(person).textContent()).toBe('Give the keys to the page');
    await person.chord('S');
    expect(await person.frontName()).toBe('Lock Sill — Tides');
    await person.chord('S');
    await inside(person).getByRole('textbox').click();
    await expect.poll(() => strip(person).textContent()).toBe('Take the keys back');
    await strip(person).click();
    await person.chord('S');
    expect(await person.frontName()).toBe('Lock Sill — Tides');
    // What was done in the page is still there: it was not loaded anew.
    await inside(person).getByText('Fog at the bar').waitFor();
    expect(person.errors).toEqual([]);
  });

  it('may go where it belongs, and nowhere else', async () => {
    const person = await atPages();
    await choose(person, 'notice board');
    await inside(person).getByRole('link', { name: 'Rules of the board' }).click();
    await inside(person).getByRole('heading', { name: 'Rules of the board' }).waitFor();
    await inside(person).getByRole('link', { name: 'Back to the board' }).click();
    await inside(person)
      .getByRole('link', { name: /^Ferries/ })
      .click();
    await expect.poll(() => person.errors.join()).toContain('frame-src');
    expect(await person.page.getByRole('main').isVisible()).toBe(true);
    await person.page.context().close();
  });

  it('the document around it is nobody else’s to frame, and there is none for other applications', async () => {
    const id = await createSession(ellavane(new Date(), inject('pagesUrl')));
    const get = (path: string) => fetch(`${inject('baseUrl')}/sessions/${id}/pages/${path}`);
    const { headers } = await get('notices');
    expect(headers.get('content-security-policy')).toContain(`frame-src ${inject('pagesUrl')}/notices/;`);
    expect(headers.get('content-security-policy')).toContain("frame-ancestors 'self'");
    for (const path of ['tides', 'nothing']) expect((await get(path)).status).toBe(404);
    const own = ellavane(new Date(), inject('baseUrl'));
    expect(
      (await fetch(`${inject('baseUrl')}/sessions/${await createSession(own)}/pages/notices`)).status,
    ).toBe(404);
  });
});

describe('a page that permits no frames', () => {
  it('is in a browser window that opens, comes forward and closes with its window', async () => {
    const context = await newContext();
    const id = await createSession(ellavane(new Date(), inject('pagesUrl')));
    const person = await at(openPage(id, { context }));
    const opened = context.waitForEvent('page');
    await choose(person, 'ferry times');
    const ferries: Page = await opened;
    await ferries.getByRole('heading', { name: 'Ferry Times' }).waitFor();
    await person.page.bringToFront();
    await person.page.getByRole('button', { name: 'Bring it forward' }).waitFor();
    const closed = ferries.waitForEvent('close');
    await person.chord('C');
    await closed;
    expect(person.errors).toEqual([]);
  });

  it('closed by hand it can be opened anew; a reload opens nothing by itself', async () => {
    const context = await newContext();
    const person = await at(
      openPage(await createSession(ellavane(new Date(), inject('pagesUrl'))), { context }),
    );
    let opened = context.waitForEvent('page');
    await choose(person, 'ferry times');
    await (await opened).close();
    const open = person.page.getByRole('button', { name: 'Open it' });
    await open.waitFor();
    await person.sent();
    await person.reload();
    await open.waitFor();
    expect(context.pages()).toHaveLength(1);
    opened = context.waitForEvent('page');
    await person.press('Enter');
    await (await opened).getByRole('heading', { name: 'Ferry Times' }).waitFor();
  });
});

describe('adding a page', () => {
  it('fills in the rest from a pasted manifest, asks the page about frames, and is found by search', async () => {
    const person = await at(atPages());
    await choose(person, 'web pages');
    await dialog(person)
      .getByLabel('Address')
      .fill(`${inject('pagesUrl')}/ferries/`);
    await dialog(person)
      .getByLabel('Manifest', { exact: true })
      .fill(
        JSON.stringify({
          name: 'Ferries of Ellavane',
          short_name: 'Slip Times',
          start_url: './',
          display: 'standalone',
          theme_color: 'rebeccapurple',
        }),
      );
    await dialog(person).getByRole('button', { name: 'Fill in' }).click();
    await status(person).getByText('The page permits no frames').waitFor();
    expect(await dialog(person).getByLabel('Name').inputValue()).toBe('Slip Times');
    // #663399 of the CSS colours has the hue 270.
    expect(await dialog(person).getByLabel('Hue').inputValue()).toBe('270');
    expect(await dialog(person).getByRole('radio', { name: 'a browser window' }).isChecked()).toBe(true);
    await dialog(person).getByRole('button', { name: 'Keep it' }).click();
    await status(person).getByText('Slip Times was added').waitFor();
    await person.sent();
    const { session } = await storedSession(person.session, person.url);
    expect(session.applications.at(-1)).toMatchObject({
      id: 'slip-times',
      monogram: 'ST',
      hue: 270,
      running: false,
    });
    await dialog(person).getByRole('button', { name: 'Undo the last change' }).click();
    await dialog(person).getByText('Slip Times', { exact: true }).waitFor({ state: 'detached' });
  });

  it('fills in from what is dropped as well', async () => {
    const person = await at(atPages());
    await choose(person, 'web pages');
    const text = await (await fetch(`${inject('pagesUrl')}/notices/manifest.webmanifest`)).text();
    await dialog(person)
      .getByLabel('Address')
      .fill(`${inject('pagesUrl')}/notices/`);
    await dialog(person).evaluate((element, manifest) => {
      const dataTransfer = new DataTransfer();
      dataTransfer.items.add(
        new File([manifest], 'manifest.webmanifest', { type: 'application/manifest+json' }),
      );
      element.dispatchEvent(new DragEvent('drop', { dataTransfer, bubbles: true, cancelable: true }));
    }, text);
    await status(person).getByText('The page permits frames').waitFor();
    expect(await dialog(person).getByLabel('Name').inputValue()).toBe('Notices');
    expect(await dialog(person).getByLabel('Address').inputValue()).toBe(`${inject('pagesUrl')}/notices/`);
  });

  it('says what is wrong beside its field, and adds nothing', async () => {
    const person = await at(atPages());
    await choose(person, 'web pages');
    const problem = (field: string) => person.page.locator(`#guest-${field}-problem`).textContent();
    await dialog(person).getByLabel('Address').fill('javascript:alert(1)');
    await dialog(person).getByRole('button', { name: 'Keep it' }).click();
    expect(await problem('address')).toContain('Only http and https');
    expect(await problem('name')).toContain('Type a name');
    expect(
      await dialog(person)
        .getByLabel('Address')
        .evaluate((field) => field === document.activeElement),
    ).toBe(true);
    await dialog(person).getByLabel('Manifest', { exact: true }).fill('x'.repeat(200_001));
    expect(await problem('manifest')).toContain('more than 200 thousand');
    expect(await dialog(person).getByRole('button', { name: 'Fill in' }).isDisabled()).toBe(true);
    await person.sent();
    expect((await storedSession(person.session, person.url)).session.applications).toHaveLength(14);
  });

  it('takes desktop entries and pictures, and hands entries out', async () => {
    const person = await at(atPages());
    await choose(person, 'web pages');
    const entries = dialog(person).getByLabel('Add desktop entries');
    const entry = (name: string, text: string) => ({
      name,
      mimeType: 'application/x-desktop',
      buffer: Buffer.from(text),
    });
    await entries.setInputFiles(
      entry('bad.desktop', '[Desktop Entry]\nType=Application\nName=Bad\nExec=a; b\n'),
    );
    await status(person).getByText('No shell is ever run').waitFor();
    await entries.setInputFiles([
      entry('foo.desktop', '[Desktop Entry]\nType=Application\nName=Foo Viewer\nExec=fooview %F\n'),
      entry('gauge.desktop', '[Desktop Entry]\nType=Link\nName=Gauge\nURL=https://gauge.example/now\n'),
    ]);
    await dialog(person).getByText('https://gauge.example/now').waitFor();
    await dialog(person).getByText('a program of the machine').waitFor();
    await dialog(person).getByRole('combobox').selectOption('Gauge');
    const handed = person.page.waitForEvent('download');
    await dialog(person).getByRole('button', { name: 'Export' }).click();
    const file = await (await handed).createReadStream();
    const text = (await file.toArray()).join('');
    expect(text).toContain(
      'Type=Link\nName=Gauge\nURL=https://gauge.example/now\nX-KeyFold-Application=gauge',
    );
    await dialog(person).getByRole('combobox').selectOption('Tides');
    const tides = person.page.waitForEvent('download');
    await dialog(person).getByRole('button', { name: 'Export' }).click();
    const entryOfTides = (await (await (await tides).createReadStream()).toArray()).join('');
    expect(entryOfTides).toContain(
      `URL=${person.url}/sessions/${person.session}\nX-KeyFold-Application=tides`,
    );
    // Given back, it is what is here already.
    await entries.setInputFiles(entry('tides.desktop', entryOfTides));
    await status(person).getByText('Tides is here already').waitFor();
    const dot =
      '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><circle r="4" cx="4" cy="4"/></svg>';
    await dialog(person)
      .getByLabel('Choose a picture')
      .setInputFiles({ name: 'dot.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(dot) });
    await dialog(person).getByRole('button', { name: 'No picture' }).waitFor();
    await dialog(person)
      .getByLabel('Choose a picture')
      .setInputFiles({ name: 'no.png', mimeType: 'image/png', buffer: Buffer.from('no') });
    await status(person).getByText('no.png is no picture').waitFor();
    expect(person.errors).toEqual([]);
  });
});
