/** Acting on what is highlighted, ending things, and coming back, by keyboard alone. */
import { find } from '../src/lib/core/model/table';
import { describe, expect, it } from 'vitest';
import { toDocument } from '../src/lib/core/formats/session-document';
import { sessionOf } from '../testing/sessions';
import { at } from './support/at';
import type { Person } from './support/browser';
import { atSession, createSession, openPage, storedSession, useBrowser } from './support/browser';

useBrowser();

const focusedText = (person: { page: { evaluate(f: () => string | null): Promise<string | null> } }) =>
  person.page.evaluate(() => document.activeElement?.textContent ?? null);

describe('acting while holding', () => {
  it('puts several away in a row; the list stays open and still', async () => {
    const person = await at(atSession('a: a1 | b: b1 | c: c1 c2 | d: d1'));
    await person.hold('S', 'X', 'S', 'Z');
    await person.switcher.waitFor();
    expect(await person.rowNames()).toEqual(['A', 'B', 'C', 'D']);
    expect(await person.switcher.getByRole('row', { name: 'B', exact: true }).textContent()).toContain(
      'hidden',
    );
    expect(await person.switcher.getByRole('row', { name: 'C', exact: true }).textContent()).toContain(
      '1 minimised',
    );
    await person.hold('V');
    expect(await person.rowNames()).toEqual(['A', 'B', 'D']);
    expect(await person.selectedLeaf.textContent()).toContain('d1');
    await person.hold('A', 'X');
    expect(await person.switcher.getByRole('row', { name: 'B', exact: true }).textContent()).not.toContain(
      'hidden',
    );
    await person.press('Escape');
    await person.release();
    expect(await person.frontName()).toBe('a1 — A');
  });
});

describe('coming back', () => {
  it.each([
    ['a minimised window', 'a: a1 | b: b1-'],
    ['a hidden application', 'a: a1 | !b: b1'],
    ['a hidden application whose windows are minimised', 'a: a1 | !b: b1- b2-'],
    ['a window on another workspace', 'a: a1 | b: b1~'],
  ])('%s ends up in front, with the keys', async (_, line) => {
    const person = await at(atSession(line));
    await person.chord('S');
    expect(await person.frontName()).toBe('b1 — B');
    expect(await person.page.evaluate(() => document.activeElement?.closest('section')?.id)).toBe(
      'window-b1',
    );
  });
});

describe('a window that comes back', () => {
  it.each([
    ['from under another', async (person: Person) => person.chord('S')],
    [
      'from being minimised',
      async (person: Person) => {
        await person.chord('Z');
        expect(await person.window('a1 — A').count()).toBe(0);
        await person.chord('S');
      },
    ],
  ])('%s has its caret and its undo as they were', async (_, goAway) => {
    const person = await at(atSession('a: a1 | b: b1'));
    await person.press('Control+Home');
    await person.page.keyboard.type('xyz');
    await goAway(person);
    if ((await person.frontName()) !== 'a1 — A') await person.chord('S');
    expect(await person.frontName()).toBe('a1 — A');
    expect(await person.caretIn('a1')).toBe(3);
    await person.press('Control+z');
    expect(await person.written('a1')).toBe('a1');
  });
});

describe('ending', () => {
  it('asks in the window, by keyboard; keep open changes nothing, and the letter has the keys again', async () => {
    const person = await at(atSession('a: a1* | b: b1'));
    await person.chord('C');
    expect(await focusedText(person)).toBe('Save');
    await person.press('ArrowRight');
    expect(await focusedText(person)).toBe('Discard');
    await person.press('Escape');
    await person.page.getByRole('toolbar').waitFor({ state: 'detached' });
    expect(await person.page.locator(':focus').getAttribute('aria-label')).toBe('a1');
    await person.chord('C');
    await person.press('Enter');
    await person.window('a1 — A').waitFor({ state: 'detached' });
    await person.sent();
    const { session } = await storedSession(person.session);
    expect(find(session.documents, 'd-a1')?.text).toBe('a1, edited');
  });

  it('keeps what was typed a moment before an abrupt end, and offers it at the next launch', async () => {
    const person = await at(atSession('a: a1 | b: b1'));
    await person.press('Control+End');
    await person.page.keyboard.type(' and more');
    await person.chord('Shift+V');
    expect(await person.frontName()).toBe('b1 — B');
    await person.chord('Q');
    await person.page.keyboard.type('a');
    await person.page.getByRole('gridcell', { selected: true }).getByText('not running').waitFor();
    await person.press('Enter');
    await person.page.getByText('An unsaved draft from').waitFor();
    expect(await focusedText(person)).toBe('Use the draft');
    await person.press('Enter');
    const text = person.page.locator('[role=textbox]:focus');
    await text.waitFor();
    expect(await text.textContent()).toBe('a1 and more');
  });

  it('keeps a draft while it is being written, over a reload', async () => {
    const person = await at(atSession('a: a1 | b: b1'));
    await person.press('Control+End');
    await person.page.keyboard.type('!');
    // That this happens within a second is a property of the keeper, tested on its own.
    await expect
      .poll(async () => find((await storedSession(person.session)).session.drafts, 'd-a1')?.text)
      .toBe('a1!');
    await person.reload();
    expect(await person.written('a1')).toBe('a1!');
  });

  it('leaves ways on when nothing runs any more', async () => {
    const person = await at(atSession('a: a1'));
    await person.chord('V');
    await person.page.getByRole('main').getByText('reopens A').waitFor();
    await person.hold('S');
    await person.switcher.getByText('Nothing is running').waitFor();
    expect(
      await person.switcher.getByText('Nothing is running').evaluate((text) => {
        const { x, y, height } = text.getBoundingClientRect();
        return document.elementFromPoint(x + 5, y + height / 2) === text;
      }),
    ).toBe(true);
    await person.release();
    await person.chord('Shift+R');
    expect(await person.frontName()).toBe('a1 — A');
  });
});

describe('sweep and glance', () => {
  it('a sweep empties the surface, the switcher begins at the first row, and a second one puts back', async () => {
    const person = await at(atSession('a: a1 | b: b1'));
    await person.chord('G');
    expect(await person.frontName()).toBe('');
    await person.page.getByText('No windows are open here').waitFor();
    await person.page.getByRole('main').getByText('undoes: sweep everything away').waitFor();
    await person.chord('G');
    expect(await person.frontName()).toBe('a1 — A');
    await person.chord('G');
    await person.chord('S');
    expect(await person.frontName()).toBe('a1 — A');
  });

  it('rule 18: a glance changes no state and no order', async () => {
    const person = await at(atSession('a: a1 | b: b1'));
    await person.sent();
    const before = await storedSession(person.session);
    await person.page.keyboard.down('Alt');
    await person.page.keyboard.down('Space');
    const opacity = () =>
      person.page.locator('#window-a1').evaluate((window) => {
        const surface = window.parentElement as HTMLElement;
        return getComputedStyle(surface).opacity;
      });
    expect(await opacity()).toBe('0');
    await person.page.keyboard.up('Space');
    expect(await opacity()).toBe('1');
    await person.release();
    expect(await storedSession(person.session)).toEqual(before);
    expect(await person.frontName()).toBe('a1 — A');
    // What is typed next goes where the caret was before the glance.
    await person.page.keyboard.type('!');
    expect(await person.written('a1')).toContain('!');
  });
});

describe('many windows of one application', () => {
  it('stay usable: sixty leaves, the chosen one in view, titles told apart', async () => {
    const names = Array.from({ length: 60 }, (_, n) => `a${n}`).join(' ');
    const desk = toDocument(sessionOf(`a: ${names} | b: b1`));
    const windows = desk.windows.map((window) => ({
      ...window,
      tabs: window.tabs.map((tab) => ({ ...tab, title: `Berth plan for week ${tab.title}` })),
    }));
    const person = await at(openPage(await createSession({ ...desk, windows })));
    await person.hold('F', 'D', 'D', 'D');
    await person.switcher.waitFor();
    expect(await person.selectedLeaf.getAttribute('title')).toBe('Berth plan for week a58');
    expect(await person.selectedLeaf.locator('b').textContent()).toBe('a58');
    const inView = () =>
      person.selectedLeaf.evaluate((leaf) => {
        const { x, y, width, height } = leaf.getBoundingClientRect();
        return document.elementFromPoint(x + width / 2, y + height / 2)?.closest('[role=gridcell]') === leaf;
      });
    expect(await inView()).toBe(true);
    expect(await person.switcher.getByRole('gridcell').count()).toBeLessThan(20);
    // The wheel scrolls the leaves, and they stay where it left them.
    await person.selectedLeaf.hover();
    await person.page.mouse.wheel(0, -2_000);
    await person.switcher.getByTitle('Berth plan for week a0', { exact: true }).waitFor();
    // On a narrow page fewer stand side by side, and the chosen one still comes into view.
    await person.page.setViewportSize({ width: 700, height: 600 });
    await person.hold('D');
    expect(await person.selectedLeaf.getAttribute('title')).toBe('Berth plan for week a57');
    expect(await inView()).toBe(true);
    await person.release();
    expect(await person.frontName()).toBe('Berth plan for week a57 — A');
  });
});
