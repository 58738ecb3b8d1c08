/** The index in a browser: pressed, walked, carried by pointer, and out of the way. */
import { describe, expect, it } from 'vitest';
import { toDocument } from '../src/lib/core/formats/session-document';
import { ellavane } from '../src/lib/demo/ellavane';
import { sessionOf } from '../testing/sessions';
import { at } from './support/at';
import type { Person } from './support/browser';
import { atSession, createSession, openPage, storedSession, useBrowser } from './support/browser';

useBrowser();

const index = (person: Person) => person.page.getByRole('navigation', { name: 'Index' });
const place = (person: Person, digit: string) => person.page.locator(`[data-place="${digit}"]`);
const focused = (person: Person) => person.page.evaluate(() => document.activeElement?.id ?? '');
const focusedWindow = (person: Person) =>
  person.page.evaluate(() => document.activeElement?.closest('section')?.id);
const placeFocused = (person: Person, digit: string) =>
  expect.poll(() => focused(person)).toBe(`place-${digit}`);
const names = (person: Person) =>
  index(person)
    .getByRole('listitem')
    .evaluateAll((items) =>
      items.map((item) => item.querySelector('button')?.ariaLabel?.split(',')[0] ?? ''),
    );

describe('pressing places', () => {
  it('goes to what stands there and on to its next window, and reload keeps the order that was left', async () => {
    const person = await at(atSession('a: a1 | b: b1 b2 b3-'));
    await person.chord('Digit2');
    expect(await person.frontName()).toBe('b1 — B');
    await person.chord('Digit2', 'Digit2');
    expect(await person.frontName()).toBe('b3 — B');
    await expect.poll(() => place(person, '2').getAttribute('aria-current')).toBe('true');
    await person.sent();
    const { session } = await storedSession(person.session);
    expect(session.recent.windows.map(({ id }) => id)).toEqual(['b3', 'a1', 'b1', 'b2']);
    await person.chord('Shift+Digit1');
    await expect.poll(() => place(person, '1').getAttribute('aria-label')).toBe('A, 1, 2 windows, in front');
  });

  it('a run ends by itself', async () => {
    const person = await at(atSession('a: a1 | b: b1 b2 b3'));
    await person.page.clock.install();
    await person.chord('Digit2', 'Digit2');
    await person.page.clock.runFor(1_600);
    await person.chord('Digit2');
    // The new run goes by the uses that the first one left: b2 b1 b3.
    expect(await person.frontName()).toBe('b1 — B');
  });

  it('says how things stand in words, and what has no window to go on to', async () => {
    const person = await at(atSession('a: a1 | !b: b1 b2-'));
    expect(await place(person, '2').getAttribute('aria-label')).toBe('B, 2, 2 windows, 1 minimised, hidden');
    await person.chord('Digit1');
    await person.page.getByRole('status').getByText('no other window').waitFor();
    await person.chord('V');
    await expect.poll(() => place(person, '1').getAttribute('aria-label')).toBe('A, 1, not running');
    await person.chord('Digit7');
    await person.page.getByRole('status').getByText('Nothing stands at 7').waitFor();
  });

  it('a click does what the digit does, and a run of clicks is a run', async () => {
    const person = await at(atSession('a: a1 | b: b1 b2 b3'));
    await place(person, '2').click({ clickCount: 3 });
    await expect.poll(() => person.frontName()).toBe('b3 — B');
    // Where nothing comes forward the keys are still those of the front window.
    await person.chord('Digit1');
    await place(person, '1').click();
    await expect.poll(() => focusedWindow(person)).toBe('window-a1');
  });

  it('rows of the switcher carry the digit of their place, or nothing', async () => {
    const desk = toDocument(sessionOf('a: a1 | b: b1 | c: c1'));
    const places = ['c', ...desk.places.slice(1).map(() => null)];
    const person = await at(openPage(await createSession({ ...desk, places })));
    await person.hold('S', 'S', 'S');
    await person.switcher.waitFor();
    const caps = (name: string) =>
      person.switcher.locator(`#row-${name} kbd`).evaluateAll((keys) => keys.map((key) => key.textContent));
    expect(await caps('b')).toEqual([]);
    expect(await caps('c')).toEqual(['1']);
    await person.press('Digit1');
    expect(await person.selectedLeaf.textContent()).toContain('c1');
    await person.release();
    expect(await person.frontName()).toBe('c1 — C');
  });
});

describe('walking the index', () => {
  it('takes the focus to the place, and back to the front window', async () => {
    const person = await at(atSession('a: a1 | b: b1 | c: c1'));
    await person.chord('Backquote');
    await placeFocused(person, '1');
    await person.press('ArrowDown', 'c');
    await placeFocused(person, '3');
    await person.press('Escape');
    await expect.poll(() => focusedWindow(person)).toBe('window-a1');
    await person.press('F6');
    await placeFocused(person, '3');
    await person.press('Enter');
    expect(await person.frontName()).toBe('c1 — C');
    await expect.poll(() => focusedWindow(person)).toBe('window-c1');
  });

  it('opens the menu of the place, which goes by keys and gives the focus back', async () => {
    const person = await at(atSession('a: a1 | b: b1 b2'));
    await person.chord('Backquote');
    await person.press('ArrowDown', 'ArrowLeft');
    const menu = person.page.getByRole('menu');
    await menu.waitFor();
    await person.page.locator('[role=menuitem]:focus').getByText('b1').waitFor();
    await person.press('Escape');
    await menu.waitFor({ state: 'detached' });
    await placeFocused(person, '2');
    await person.press('ArrowLeft', 'ArrowDown', 'Enter');
    await expect.poll(() => person.frontName()).toBe('b2 — B');
    await menu.waitFor({ state: 'detached' });
    await person.chord('Backquote');
    await person.press('ArrowLeft');
    await menu.getByRole('menuitem', { name: /^hide/ }).click();
    await expect.poll(() => place(person, '2').getAttribute('aria-label')).toContain('hidden');
  });

  it('carries, takes out and undoes, and says so', async () => {
    const person = await at(atSession('a: a1 | b: b1 | c: c1'));
    await person.chord('Backquote');
    await person.press('Shift+ArrowDown');
    await expect.poll(() => names(person)).toEqual(['B', 'A', 'C', ...Array<string>(7).fill('')]);
    await placeFocused(person, '2');
    await person.page.getByRole('status').getByText('Index: B at 1 and A at 2').waitFor();
    await person.press('Delete');
    await placeFocused(person, '3');
    await person.press('Control+z', 'Control+z');
    await expect.poll(() => names(person)).toEqual(['A', 'B', 'C', ...Array<string>(7).fill('')]);
    await person.sent();
    await person.reload();
    expect((await names(person)).slice(0, 3)).toEqual(['A', 'B', 'C']);
  });

  it('comes while it is walked and leaves afterwards, where it is kept out of the way', async () => {
    const desk = toDocument(sessionOf('a: a1 | b: b1'));
    const settings = { ...desk.settings, index: 'away' as const };
    const person = await at(openPage(await createSession({ ...desk, settings })));
    expect(await index(person).isVisible()).toBe(false);
    await person.chord('Digit2');
    expect(await person.frontName()).toBe('b1 — B');
    expect(await index(person).isVisible()).toBe(false);
    await person.chord('Backquote');
    await placeFocused(person, '2');
    await person.press('1', 'Enter');
    await index(person).waitFor({ state: 'hidden' });
    expect(await person.frontName()).toBe('a1 — A');
  });
});

describe('by pointer', () => {
  it('what is dropped at a digit changes places with what stands there', async () => {
    const person = await at(atSession('a: a1 | b: b1 | c: c1'));
    await index(person).hover();
    await person.page.locator('li[draggable=true]').first().waitFor();
    await place(person, '1').dragTo(place(person, '3'));
    await expect.poll(() => names(person)).toEqual(['C', 'B', 'A', ...Array<string>(7).fill('')]);
    await place(person, '2').dragTo(index(person).getByRole('listitem').nth(8));
    await expect.poll(() => names(person)).toEqual(['C', '', 'A', '', '', '', '', '', 'B', '']);
    expect(await person.frontName()).toBe('a1 — A');
  });

  it('the other button opens the menu, and a press beside it leaves', async () => {
    const person = await at(atSession('a: a1 | b: b1'));
    await place(person, '2').click({ button: 'right' });
    const menu = person.page.getByRole('menu');
    await menu.waitFor();
    await menu.getByRole('menuitem', { name: 'b1' }).click();
    await expect.poll(() => person.frontName()).toBe('b1 — B');
    await person.chord('Backquote');
    await placeFocused(person, '2');
    await person.page.mouse.click(700, 600);
    await expect.poll(() => focusedWindow(person)).toBe('window-b1');
  });
});

it('a document that stands there is shown in its folder', async () => {
  const demo = ellavane(new Date());
  const places = demo.places.with(3, { document: 'letter-notice-14' });
  const person = await at(openPage(await createSession({ ...demo, places })));
  await person.chord('Backquote');
  await person.press('4', 'ArrowLeft');
  const reveal = person.page.getByRole('menuitem', { name: 'Show it in Correspondence' });
  await reveal.click();
  await person.window('Correspondence — Cabinet').waitFor();
  expect(await person.frontName()).toBe('Correspondence — Cabinet');
});
