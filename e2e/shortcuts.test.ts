/** Shortcuts of one's own, keys that are changed, and the reach check, in a browser. */
import { describe, expect, it } from 'vitest';
import { at } from './support/at';
import type { Person } from './support/browser';
import { atEllavane, atSession, openPage, useBrowser } from './support/browser';

useBrowser();

const dialog = (person: Person, name: string) => person.page.getByRole('dialog', { name });
const said = (person: Person, text: string) =>
  person.page.getByRole('status').getByText(text).first().waitFor();
const recording = (person: Person) =>
  person.page.getByRole('button', { name: /^Press the combination now/ }).waitFor();

/** Makes a shortcut to what is in front by keys alone. */
async function make(person: Person, ...chord: string[]) {
  await person.chord('Shift+T');
  await recording(person);
  await person.chord(...chord);
  await person.press('Enter');
}

describe('a shortcut', () => {
  it('is made by three keys, works at once and from anywhere, and ends with its window, which is said', async () => {
    const person = await at(atSession('a: a1 | b: b1 | c: c1'));
    await make(person, 'E');
    await said(person, 'Alt E goes to a1, in pencil: until that is closed');
    // The focus is on the way out.
    await person.press('Enter');
    await dialog(person, 'Shortcuts').waitFor({ state: 'detached' });
    await person.chord('S');
    await person.chord('Z');
    expect(await person.frontName()).toBe('a1 — A');
    await person.chord('Z');
    expect(await person.frontName()).not.toBe('a1 — A');
    await person.chord('E');
    expect(await person.frontName()).toBe('a1 — A');
    await person.chord('C');
    await said(person, 'Alt E, in pencil, ended with it');
    await person.sent();
    await person.reload();
    await person.chord('E');
    expect(await person.frontName()).not.toBe('a1 — A');
  });

  it('is gone over in ink, for windows with such titles, and survives', async () => {
    const person = await at(atSession('a: a1 a2 | b: b1'));
    await make(person, 'E');
    const shortcuts = dialog(person, 'Shortcuts');
    await shortcuts.getByRole('button', { name: 'Go over in ink' }).click();
    const titles = shortcuts.getByLabel('Titles', { exact: true });
    expect(await titles.inputValue()).toBe('a1');
    const keep = shortcuts.getByRole('button', { name: 'Keep it' });
    await titles.fill('a(');
    await shortcuts.getByText('This is no expression').waitFor();
    expect(await keep.isDisabled()).toBe(true);
    await titles.fill('^a[12]$');
    await shortcuts.getByText('2 windows match now').waitFor();
    await keep.click();
    await said(person, 'in ink: it is kept');
    await person.press('Escape');
    await person.sent();
    await person.reload();
    await person.chord('S');
    expect(await person.frontName()).toBe('b1 — B');
    // What reads patterns is loaded after the page.
    await expect
      .poll(async () => {
        await person.chord('E');
        return person.frontName();
      })
      .toMatch(/^a[12] — A$/);
  });

  it('goes on where its window is closed meanwhile on another page', async () => {
    const person = await at(atSession('a: a1 | b: b1'));
    const other = await openPage(person.session);
    await person.chord('Shift+T');
    await recording(person);
    await person.chord('E');
    const shortcuts = dialog(person, 'Shortcuts');
    const keep = shortcuts.getByRole('button', { name: 'Keep it' });
    await expect.poll(() => keep.isDisabled()).toBe(false);
    await other.chord('C');
    await other.sent();
    await expect.poll(() => keep.isDisabled()).toBe(true);
    await shortcuts.getByRole('radio', { name: /^the application, in ink/ }).click();
    await keep.click();
    await said(person, 'Alt E goes to A, in ink');
    await shortcuts.getByText('ink', { exact: true }).waitFor();
    expect(person.errors).toEqual([]);
    await other.page.context().close();
  });

  it('says at once who uses a combination, and is not kept on a key of Key Fold', async () => {
    const person = await at(atSession('a: a1 | b: b1'));
    await person.chord('Shift+T');
    const shortcuts = dialog(person, 'Shortcuts');
    const record = () => shortcuts.getByRole('button', { name: /record/i }).click();
    await recording(person);
    await person.chord('F');
    await shortcuts.getByText('Key Fold uses it: Next window of the application').waitFor();
    expect(await shortcuts.getByRole('button', { name: 'Keep it' }).isDisabled()).toBe(true);
    await record();
    await person.press('Control+t');
    await shortcuts.getByText('in a window of its own every key arrives').waitFor();
    await record();
    await person.press('Control+s');
    await shortcuts.getByText('Letter uses it: saves the letter').waitFor();
    await record();
    await person.press('q');
    await shortcuts.getByText('Alone, this key writes or moves').waitFor();
    await person.press('Escape');
    await shortcuts.getByRole('button', { name: 'Alt E' }).click();
    await shortcuts.getByText('Nobody else uses it').waitFor();
    await person.press('Escape');
    await shortcuts.waitFor({ state: 'detached' });
    expect(await person.frontName()).toBe('a1 — A');
  });
});

describe('keys', () => {
  it('are changed in the list of keys, undone, and put back to the block', async () => {
    const person = await at(atSession('a: a1 a2 | b: b1'));
    await person.chord('H');
    const keys = dialog(person, 'Keys and help');
    await keys.getByRole('button', { name: 'Change the key: Minimise the front window' }).click();
    await recording(person);
    await person.chord('E');
    await person.press('Enter');
    await said(person, 'Alt E: Minimise the front window');
    await person.press('Escape');
    await person.chord('Z');
    expect(await person.frontName()).toBe('a1 — A');
    await person.chord('E');
    expect(await person.frontName()).toBe('a2 — A');
    await person.chord('H');
    await keys.getByRole('button', { name: 'All back to the block' }).click();
    await person.press('Escape');
    await person.chord('Z');
    expect(await person.frontName()).toBe('b1 — B');
  });

  it('can be given to what a program does, which is then done without going there', async () => {
    const person = await at(atEllavane());
    await person.chord('H');
    const keys = dialog(person, 'Keys and help');
    await keys.getByRole('button', { name: 'Change the key: Next high water (Tide)' }).click();
    await recording(person);
    await person.chord('E');
    await person.press('Enter', 'Escape');
    await keys.waitFor({ state: 'detached' });
    await person.chord('Digit3');
    await person.chord('E');
    await said(person, 'High water at');
    expect(await person.frontName()).toBe('Today — Pilot Log');
  });

  it('lie under the right hand where someone wants that', async () => {
    const person = await at(atSession('a: a1 | b: b1'));
    await person.chord('Q');
    await person.page.keyboard.type('settings');
    await person.press('Enter');
    await dialog(person, 'Settings').getByRole('radio', { name: 'right hand' }).click();
    await person.press('Escape');
    await person.chord('L');
    expect(await person.frontName()).toBe('b1 — B');
    await person.chord('Digit1');
    expect(await person.frontName()).toBe('a1 — A');
  });
});

describe('the reach check', () => {
  it('asks for every combination; what did not arrive gets another one with one key, and is warned of later', async () => {
    const person = await at(atSession('a: a1 | b: b1'));
    await person.chord('Q');
    await person.page.keyboard.type('reach');
    await person.press('Enter');
    const check = dialog(person, 'Which keys arrive here?');
    await check.waitFor();
    const question = check.getByRole('status').first();
    const asked = () => question.locator('p').first().locator('kbd').allTextContents();
    const first = await asked();
    await expect
      .poll(async () => {
        await person.press('Enter');
        return (await asked()).join(' ');
      })
      .not.toBe(first.join(' '));
    for (let caps = await asked(); caps.length > 0; caps = await asked().catch(() => [])) {
      const last = caps.at(-1) ?? '';
      const key = NAMED[last] ?? (last.length === 1 ? codeOf(last) : last);
      const held = caps.slice(0, -1).map((cap) => (cap === 'Ctrl' ? 'Control' : cap));
      await person.page.keyboard.press([...held, key].join('+'));
      if ((await question.locator('kbd').count()) === 0) break;
    }
    await check.getByText(/\d+ of \d+ combinations arrive here/).waitFor();
    await check
      .getByRole('button', { name: /^Use instead/ })
      .first()
      .waitFor();
    await person.press('Enter');
    await expect.poll(() => check.getByRole('button', { name: /^Use instead/ }).count()).toBe(0);
    await person.press('Escape');
    await person.chord('Shift+T');
    await recording(person);
    await person.page.keyboard.press(first.map((cap) => (cap.length === 1 ? codeOf(cap) : cap)).join('+'));
    await dialog(person, 'Shortcuts').getByText('It did not arrive at the last reach check').waitFor();
  });
});

/** What keys are called whose caps say something else. */
const NAMED: Readonly<Record<string, string>> = { Menu: 'ContextMenu' };

const PUNCTUATION: Readonly<Record<string, string>> = {
  '`': 'Backquote',
  ';': 'Semicolon',
  ',': 'Comma',
  '.': 'Period',
  '/': 'Slash',
  "'": 'Quote',
};

/** The position of a key by its label on this keyboard. */
const codeOf = (label: string): string =>
  PUNCTUATION[label] ?? (/\d/.test(label) ? `Digit${label}` : `Key${label}`);
