import { describe, expect, it } from 'vitest';
import { idsOf } from '../src/lib/core/model/order';
import { at } from './support/at';
import { ellavane } from '../src/lib/demo/ellavane';
import { atSession, atEllavane, createSession, openPage, storedSession, useBrowser } from './support/browser';

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

  it('a key still down after the release types nothing into the window that came', async () => {
    const person = await at(atSession('a: a1 | b: b1'));
    const { keyboard } = person.page;
    await keyboard.down('Alt');
    await keyboard.down('KeyS');
    await keyboard.up('Alt');
    const text = person.page.locator('textarea:focus');
    await text.and(person.page.getByLabel('b1')).waitFor();
    // Pressed again without coming up: that is what auto-repeat looks like.
    await keyboard.down('KeyS');
    await keyboard.up('KeyS');
    await person.page.keyboard.type('!');
    expect((await text.inputValue()).replace('!', '')).toBe('b1');
    expect(await text.inputValue()).toContain('!');
  });

  it('a pointer that moves tells too that the release went unseen', async () => {
    const person = await at(atSession('a: a1 | b: b1'));
    await person.hold('S');
    await person.switcher.waitFor();
    await person.page.evaluate(() => window.dispatchEvent(new PointerEvent('pointermove')));
    await person.switcher.getByRole('textbox').and(person.page.locator(':focus')).waitFor();
    await person.release();
    expect(await person.frontName()).toBe('a1 — A');
    await person.press('Escape');
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

  it('what was put away or ended while holding is announced', async () => {
    const person = await at(atSession('a: a1 | b: b1 | c: c1 | d: d1'));
    const status = person.page.getByRole('status');
    await person.hold('S');
    await person.switcher.waitFor();
    await person.hold('X');
    await status.getByText('B, hidden').waitFor();
    await person.hold('S', 'V');
    await status.getByText('C has ended. D, d1').waitFor();
    await person.press('Escape');
    await person.release();
    await person.chord('Z');
    await status.getByText('a1, minimised. d1 — D, in front').waitFor();
  });

  it('the keys go to the front window', async () => {
    const person = await at(atEllavane());
    await person.chord('S', 'S', 'S');
    const focused = person.page.locator(':focus');
    expect(await focused.getAttribute('aria-label')).toBe('To Sable Wren — towage');
    await person.chord('S');
    expect(await person.page.locator(':focus').getAttribute('aria-label')).toBe('Lock Sill — Tides');
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
    const scrolled = () => person.front.locator('[data-scrolls]').evaluate((content) => content.scrollTop);
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

describe('two pages on one session', () => {
  it('stay in step', async () => {
    const one = await at(atSession('a: a1 | b: b1 | c: c1'));
    const two = await at(openPage(one.session));
    await one.chord('S');
    await two.front.and(two.page.getByLabel('b1 — B')).waitFor();
    await two.chord('S', 'S');
    await one.front.and(one.page.getByLabel('c1 — C')).waitFor();
    await Promise.all([one.sent(), two.sent()]);
    expect(idsOf((await storedSession(one.session)).session.recent.windows)).toEqual(['c1', 'b1', 'a1']);
  });
});
