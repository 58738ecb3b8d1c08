/** Search, the switcher that stays, the pointer, and settings. */
import { describe, expect, it } from 'vitest';
import { at } from './support/at';
import { atSession, atEllavane, storedSession, useBrowser } from './support/browser';

useBrowser();

describe('search', () => {
  it('opens with Q, finds by a few letters, and Enter goes there', async () => {
    const person = await at(atEllavane());
    await person.chord('Q');
    await person.page.keyboard.type('oil');
    await person.selectedLeaf.getByText('Oil Jetty').waitFor();
    expect(await person.selectedLeaf.locator('mark').first().textContent()).toBe('Oil');
    await person.press('Enter');
    expect(await person.frontName()).toBe('Oil Jetty — Berths');
    expect(await person.page.evaluate(() => document.activeElement?.closest('section')?.id)).toBe(
      'window-w-oil-jetty',
    );
  });

  it('learns what is chosen for some letters, keeps it over a reload, shows it, and forgets it', async () => {
    const person = await at(atSession('a: north1 north2 north3 | b: b1'));
    const found = async () => {
      await person.chord('Q');
      await person.page.keyboard.type('nor');
      const title = await person.selectedLeaf.textContent();
      return title?.match(/north\d/)?.[0];
    };
    expect(await found()).toBe('north1');
    await person.press('ArrowDown', 'ArrowDown', 'Enter');
    await person.chord('S');
    await person.sent();
    await person.reload();
    expect(await found()).toBe('north3');
    await person.selectedLeaf.getByText('chosen once for “nor”').waitFor();
    await person.press('Escape');
    await person.chord('Q');
    await person.page.keyboard.type('settings');
    await person.press('Enter');
    const settings = person.page.getByRole('dialog', { name: 'Settings' });
    await settings.getByText('north3 (window)').waitFor();
    await settings.getByRole('button', { name: 'Forget everything' }).press('Enter');
    await settings.getByText('Nothing yet').waitFor();
    await person.press('Escape');
    await settings.waitFor({ state: 'detached' });
    expect((await storedSession(person.session)).session.learned).toEqual([]);
  });
});

describe('a result', () => {
  it('says what it was chosen for, and that a slip was mended; Alt Shift Q forgets, and leaves it where it is', async () => {
    const person = await at(atSession('a: north1 north2 | b: b1'));
    await person.chord('Q');
    await person.page.keyboard.type('nroth');
    await person.selectedLeaf.getByText('one slip').waitFor();
    expect(await person.selectedLeaf.locator('mark').allTextContents()).toEqual(['north']);
    await person.press('ArrowDown', 'Enter');
    await person.chord('Q');
    await person.page.keyboard.type('nroth');
    const reason = person.switcher.getByText('chosen once for “nroth”');
    await reason.waitFor();
    await person.chord('Shift+Q');
    await reason.waitFor({ state: 'detached' });
    await person.selectedLeaf.getByText('north2').waitFor();
    await person.sent();
    expect((await storedSession(person.session)).session.learned).toEqual([]);
  });
});

describe('a switcher that stays', () => {
  it('goes into a result and out of it, and does there what is chosen', async () => {
    const person = await at(atEllavane());
    await person.chord('Q');
    const line = person.switcher.getByRole('combobox');
    await person.page.keyboard.type('weather');
    await person.selectedLeaf.waitFor();
    await person.press('ArrowRight');
    await person.page.locator('[data-within]').getByText('Weather').waitFor();
    expect(await line.inputValue()).toBe('');
    await person.page.keyboard.type('sho');
    // Within the letters the arrows are the caret's.
    await person.press('ArrowLeft', 'ArrowRight');
    expect(await line.inputValue()).toBe('sho');
    await person.press('Backspace', 'Backspace', 'Backspace', 'Backspace');
    expect(await person.page.locator('[data-within]').count()).toBe(0);
    expect(await line.inputValue()).toBe('weather');
    await person.press('Escape');
    await person.chord('Q');
    await person.page.keyboard.type('correspondence');
    await person.selectedLeaf.waitFor();
    await person.press('ArrowRight');
    await person.page.keyboard.type('dues');
    await person.selectedLeaf.waitFor();
    await person.press('Enter');
    expect(await person.frontName()).toMatch(/dues/i);
  });

  it('lets a program do something without going there, and makes documents', async () => {
    const person = await at(atEllavane());
    const does = async (letters: string) => {
      await person.chord('Q');
      await person.page.keyboard.type(letters);
      await person.selectedLeaf.waitFor();
      await person.press('Enter');
    };
    await does('pause the radio');
    await person.page.getByText('Channel 12: The log is paused').first().waitFor();
    expect(await person.frontName()).toBe('Lock Sill — Tides');
    await person.page.getByText('Paused: nothing is heard').first().waitFor({ state: 'attached' });
    await does('new letter');
    expect(await person.frontName()).toBe('New letter — Letters');
    await person.page.keyboard.type('To the Master');
    await person.page.getByText('· unsaved').first().waitFor();
    await does('correspondence');
    expect(await person.frontName()).toBe('Correspondence — Cabinet');
    await person.press('ArrowDown', 'Enter');
    expect(await person.frontName()).toBe('Notice 14 draft — Letters');
  });

  it('keeps the keys: Tab goes on, and a click beside the text does not take them away', async () => {
    const person = await at(atSession('a: a1 | b: b1 | c: c1'));
    await person.chord('Q');
    await person.press('Tab', 'Tab', 'Shift+Tab');
    expect(await person.selectedLeaf.textContent()).toContain('b1');
    await person.switcher.getByText('3 running').click();
    await person.page.keyboard.type('c1');
    await person.selectedLeaf.getByText('c1').waitFor();
    await person.press('Enter');
    expect(await person.frontName()).toBe('c1 — C');
  });

  it('serves those who cannot hold keys: a tap of the hold key opens it, Enter commits, a release does not', async () => {
    const person = await at(atSession('a: a1 | b: b1'));
    await person.chord('Q');
    await person.page.keyboard.type('settings');
    await person.press('Enter');
    await person.page.getByRole('switch', { name: 'Tap instead of hold' }).press('Space');
    await person.press('Escape');
    await person.page.getByRole('dialog', { name: 'Settings' }).waitFor({ state: 'detached' });
    await person.chord();
    await person.switcher.waitFor();
    await person.press('ArrowDown', 'Enter');
    expect(await person.frontName()).toBe('b1 — B');
    await person.chord('S');
    await person.switcher.waitFor();
    await person.press('Enter');
    expect(await person.frontName()).toBe('a1 — A');
  });

  it('shows all keys on F1 or Alt H, with what cannot be done now and why, and gives the keys back', async () => {
    const person = await at(atSession('a: a1* a2- | b: b1'));
    const list = person.page.getByRole('dialog', { name: 'Keys and help' });
    for (const open of [() => person.press('F1'), () => person.chord('H')]) {
      await open();
      await list.getByText('Nothing to put back.').waitFor();
      await list.getByText('Restore all windows of the front application').waitFor();
      expect(
        await list.getByRole('listitem').filter({ hasText: 'Minimise the front window' }).innerText(),
      ).toMatch(/^Alt\s+Z\s/);
      await person.press('Escape');
      await list.waitFor({ state: 'detached' });
    }
    await person.page.keyboard.type('x');
    expect(await person.written('a1')).toContain('x');
  });

  it('offers to the pointer what the keys do, and leaves the keys where they are', async () => {
    const person = await at(atSession('a: a1 | b: b1 | c: c1 c2'));
    const foot = person.page.getByRole('contentinfo');
    await foot.getByRole('button', { name: 'older application' }).click();
    await person.switcher.waitFor();
    await person.switcher.getByRole('button', { name: 'hide' }).click();
    await person.switcher.getByRole('row', { name: 'B', exact: true }).getByText('hidden').waitFor();
    await person.press('ArrowDown');
    await person.switcher
      .getByRole('button', { name: 'C close', exact: true })
      .click({ modifiers: ['Shift'] });
    await person.switcher.getByText('no windows', { exact: true }).filter({ visible: true }).waitFor();
    await person.page.keyboard.type('b1');
    await person.press('Enter');
    expect(await person.frontName()).toBe('b1 — B');
    await person.page.keyboard.down('Alt');
    await foot.getByRole('button', { name: 'G sweep', exact: true }).click();
    await person.release();
    expect(await person.frontName()).toBe('');
    await foot.getByRole('button', { name: 'undoes: sweep everything' }).click();
    expect(await person.frontName()).toBe('b1 — B');
    expect(await person.page.locator(':focus').getAttribute('aria-label')).toBe('b1');
  });

  it('works with the pointer, and a resting pointer never takes the highlight', async () => {
    const person = await at(atSession('a: a1 | b: b1 b2 | c: c1 | d: d1'));
    await person.page.mouse.move(640, 150);
    await person.page.getByRole('button', { name: 'Switch' }).click();
    await person.switcher.waitFor();
    await person.page.mouse.move(640, 200);
    const highlighted = async () => (await person.selectedLeaf.locator('b').textContent()) ?? '';
    await person.press('Home', 'ArrowDown', 'ArrowDown', 'ArrowDown');
    expect(await highlighted()).toBe('d1');
    // Rows that move under a resting pointer make the browser say that it moved, at the same place.
    const row = person.switcher.getByRole('row', { name: 'B', exact: true });
    const rest = { screenX: 640, screenY: 200, bubbles: true };
    await row.dispatchEvent('pointermove', rest);
    await person.press('Home', 'ArrowDown', 'ArrowDown', 'ArrowDown');
    await row.dispatchEvent('pointermove', rest);
    expect(await highlighted()).toBe('d1');
    // Without waiting for it to stay as it is: under the pointer it unfolds.
    await row.hover({ force: true });
    await person.page.mouse.move(300, 130);
    await row.hover({ force: true });
    expect(await highlighted()).toBe('b1');
    await person.switcher.getByRole('gridcell', { name: 'b2' }).click();
    expect(await person.frontName()).toBe('b2 — B');
  });
});
