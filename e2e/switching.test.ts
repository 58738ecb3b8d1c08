import { describe, expect, it } from 'vitest';
import { at } from './support/at';
import { ellavane } from '../src/lib/demo/ellavane';
import { atEllavane, createSession, openPage, storedSession, useBrowser } from './support/browser';

useBrowser();

describe('hold, step, let go', () => {
  it('a quick flip goes between the last two, and paints nothing', async () => {
    const person = await at(atEllavane());
    // The page's clock stands still, so that the flip is a quick one however busy the machine is.
    await person.page.clock.install();
    await person.page.clock.pauseAt(Date.now() + 60_000);
    await person.page.evaluate(() => {
      const seen = { dialog: false };
      Object.assign(window, { seen });
      new MutationObserver(() => (seen.dialog ||= document.querySelector('[role=dialog]') !== null)).observe(
        document.body,
        { childList: true, subtree: true },
      );
    });
    await person.chord('S');
    expect(await person.frontName()).toBe('Timber Quay — Berths');
    await person.chord('S');
    expect(await person.frontName()).toBe('Lock Sill — Tides');
    const seen = () =>
      person.page.evaluate(() => (window as unknown as { seen: { dialog: boolean } }).seen.dialog);
    expect(await seen()).toBe(false);
    await person.hold('S');
    await person.page.clock.runFor(1_000);
    await person.switcher.waitFor();
    expect(await seen()).toBe(true);
    await person.release();
  });

  it('reload gives back the order of recent use, the stacking and the front window', async () => {
    const person = await at(atEllavane());
    await person.chord('S', 'S', 'F');
    await person.chord('S', 'S', 'S');
    const front = await person.frontName();
    await person.sent();
    const { session } = await storedSession(person.session);
    await person.reload();
    expect(await person.frontName()).toBe(front);
    expect((await storedSession(person.session)).session).toEqual(session);
    await person.hold('S');
    await person.switcher.waitFor();
    expect(await person.rows.first().getAttribute('aria-label')).toBe('Letters');
    expect(await person.selectedLeaf.textContent()).toContain('Yesterday');
    await person.press('Escape');
    await person.release();
  });
});

describe('for those who do not see the screen', () => {
  it('rows, leaves and windows have roles and names, and what happens is announced', async () => {
    const person = await at(atEllavane());
    expect(await person.window('Lock Sill — Tides').getAttribute('aria-current')).toBe('true');
    expect(await person.window('Timber Quay — Berths').getAttribute('aria-current')).toBeNull();
    await person.hold('S');
    await person.switcher.getByRole('grid').waitFor();
    expect((await person.rowNames()).slice(0, 4)).toEqual(['Tides', 'Berths', 'Pilot Log', 'Letters']);
    const leaves = person.switcher.getByRole('row', { name: 'Berths' }).getByRole('gridcell');
    expect(
      await leaves.evaluateAll((cells) => cells.map((cell) => cell.getAttribute('aria-selected'))),
    ).toEqual(['true', 'false', 'false']);
    await person.page.getByRole('status').getByText('Berths, Timber Quay').waitFor();
    await person.release();
    await person.page.getByRole('status').getByText('Timber Quay — Berths, in front').waitFor();
  });

  it('the keys go to the front window', async () => {
    const person = await at(atEllavane());
    await person.chord('S', 'S', 'S');
    const focused = person.page.locator(':focus');
    expect(await focused.getAttribute('aria-label')).toBe('To Sable Wren — towage');
    await person.chord('S');
    await expect.poll(() => person.window('Lock Sill — Tides').locator(':focus').count()).toBe(1);
  });
});

describe('the front window', () => {
  it('scrolls by keyboard as soon as it is in front', async () => {
    const demo = ellavane(new Date());
    const windows = demo.windows.map((window) =>
      window.id === 'w-byelaws-towing'
        ? { ...window, geometry: { ...window.geometry, height: 120 } }
        : window,
    );
    const person = await at(openPage(await createSession({ ...demo, windows })));
    await person.chord('Q');
    await person.page.keyboard.type('towing');
    await person.press('Enter', 'PageDown');
    const scrolled = () => person.front.getByRole('region').evaluate((text) => text.scrollTop);
    await expect.poll(scrolled).toBeGreaterThan(0);
  });
});

describe('the Tab key', () => {
  it('never leads into a window that is not in front', async () => {
    const person = await at(atEllavane());
    for (let n = 0; n < 8; n += 1) {
      await person.press('Tab');
      const astray = await person.page.evaluate(() => {
        const section = document.activeElement?.closest('section');
        return section !== null && section !== undefined && section.ariaCurrent !== 'true';
      });
      expect(astray).toBe(false);
    }
  });
});
