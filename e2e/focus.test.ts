/** The caret is where it was, and one answer follows the other. */
import { find } from '../src/lib/core/model/table';
import { describe, expect, it } from 'vitest';
import { toDocument } from '../src/lib/core/formats/session-document';
import { sessionOf } from '../testing/sessions';
import { at } from './support/at';
import {
  atSession,
  createSession,
  newContext,
  openPage,
  storedSession,
  useBrowser,
  type Person,
} from './support/browser';

useBrowser();

const focused = (person: Person) =>
  person.page.evaluate(() => {
    const element = document.activeElement;
    const window = element?.closest('section')?.id ?? '';
    return `${window}: ${element?.getAttribute('aria-label') ?? element?.textContent ?? ''}`;
  });

describe('the caret is where it was', () => {
  /** The caret goes behind the first letter of a1, something happens, and what is typed then goes there. */
  async function typedAfter(happening: (person: Person) => Promise<unknown>): Promise<string> {
    const person = await at(atSession('a: a1 | b: b1'));
    await person.page.locator('#window-a1 [role=textbox]:focus').waitFor();
    await person.press('Control+Home', 'ArrowRight');
    await happening(person);
    await person.page.locator('#window-a1 [role=textbox]:focus').waitFor();
    await person.page.keyboard.type('-');
    return person.written('a1');
  }

  it.each<[string, (person: Person) => Promise<unknown>]>([
    [
      'a glance',
      async (person) => {
        await person.page.keyboard.down('Alt');
        await person.page.keyboard.down('Space');
        await person.page.keyboard.up('Space');
        await person.release();
      },
    ],
    [
      'a sweep that is put back',
      async (person) => {
        await person.chord('G');
        expect(await person.frontName()).toBe('');
        await person.chord('G');
      },
    ],
    [
      'a question that is answered',
      async (person) => {
        // The draft is the caret's own text, so it is typed and taken back first.
        await person.page.keyboard.type('x');
        await person.chord('C');
        await person.page.getByRole('toolbar').waitFor();
        await person.press('Escape');
        await person.page.getByRole('toolbar').waitFor({ state: 'detached' });
        await person.press('Backspace');
      },
    ],
    [
      'the settings',
      async (person) => {
        await person.chord('Q');
        await person.page.keyboard.type('settings');
        await person.press('Enter');
        await person.page.getByRole('dialog', { name: 'Settings' }).waitFor();
        await person.press('Escape');
        await person.page.getByRole('dialog', { name: 'Settings' }).waitFor({ state: 'detached' });
      },
    ],
    ['a reload', (person) => person.reload()],
    ['a press on the bare surface', (person) => person.page.mouse.click(1200, 500)],
    ['a press on the foot line', (person) => person.page.mouse.click(560, 785)],
    ['a search that is cancelled', (person) => person.chord('Q').then(() => person.press('Escape'))],
  ])('after %s', async (_, happening) => {
    expect(await typedAfter(happening)).toBe('a-1');
  });
});

describe('questions', () => {
  it('one answer follows the other: the next window that asks comes forward with its first button', async () => {
    const person = await at(atSession('a: a1 | b: b1* | c: c1* | d: d1*'));
    await person.hold('S', 'V', 'V', 'V');
    await person.press('Escape');
    await person.release();
    await person.page.getByText('3 windows need an answer').waitFor();
    await person.chord('T');
    const asked: string[] = [];
    for (let answer = 0; answer < 3; answer += 1) {
      await expect.poll(() => focused(person)).toMatch(/: Save$/);
      asked.push((await person.frontName()).slice(0, 2));
      await person.press('Enter');
      await person
        .window(`${asked.at(-1)} — ${asked.at(-1)?.[0]?.toUpperCase()}`)
        .waitFor({ state: 'detached' });
    }
    expect(asked.sort()).toEqual(['b1', 'c1', 'd1']);
    await person.sent();
    const { session } = await storedSession(person.session);
    for (const window of asked)
      expect(find(session.documents, `d-${window}`)?.text).toBe(`${window}, edited`);
    // No answer typed a line into the text that came.
    expect(session.drafts).toEqual([]);
    expect(await person.written('a1')).toBe('a1');
  });

  it('the key that answered types nothing while it stays down', async () => {
    const person = await at(atSession('a: a1* | b: b1'));
    await person.chord('C');
    await expect.poll(() => focused(person)).toMatch(/: Save$/);
    await person.page.keyboard.down('Enter');
    await person.page.locator('#window-b1 [role=textbox]:focus').waitFor();
    // Pressed again without coming up: that is what auto-repeat looks like.
    for (let repeat = 0; repeat < 5; repeat += 1) await person.page.keyboard.down('Enter');
    await person.page.keyboard.up('Enter');
    expect(await person.written('b1')).toBe('b1');
  });

  it('“needs an answer” is a button, and a question is announced again after a reload', async () => {
    const person = await at(atSession('a: a1 | b: b1*'));
    await person.hold('S', 'V');
    await person.press('Escape');
    await person.release();
    await person.reload();
    await person.page.getByRole('status').getByText('Unsaved changes in b1').waitFor();
    await person.page.getByRole('button', { name: '1 window needs an answer' }).click();
    expect(await person.frontName()).toBe('b1 — B');
    await expect.poll(() => focused(person)).toMatch(/: Save$/);
  });

  it('that another page answers while the keys are in it gives them back to the front window', async () => {
    const desk = toDocument(sessionOf('a: a1 | b: b1*'));
    const windows = desk.windows.map((window, n) => ({
      ...window,
      geometry: { x: 20 + n * 500, y: 20, width: 400, height: 200 },
    }));
    const session = await createSession({ ...desk, windows });
    const context = await newContext();
    const person = await openPage(session, { context });
    const other = await openPage(session, { context });
    await other.hold('S', 'V');
    await other.press('Escape');
    await other.release();
    const save = person.page.locator('#window-b1').getByRole('button', { name: 'Save', includeHidden: true });
    await save.waitFor({ state: 'attached' });
    await person.page.locator('#window-b1 [data-takes-focus]').first().focus();
    expect(await focused(person)).toMatch(/^window-b1/);
    await other.chord('T');
    await expect.poll(() => focused(other)).toMatch(/: Save$/);
    await other.press('Escape');
    await other.chord('S');
    await save.waitFor({ state: 'detached' });
    await expect.poll(() => focused(person)).toMatch(/^window-a1: a1/);
    await context.close();
  });

  it('comes into view where its window reaches beyond a small screen', async () => {
    const desk = toDocument(sessionOf('a: a1* | b: b1'));
    const windows = desk.windows.map((window) => ({
      ...window,
      geometry: { x: 700, y: 430, width: 420, height: 300 },
    }));
    const person = await at(openPage(await createSession({ ...desk, windows })));
    await person.page.setViewportSize({ width: 390, height: 640 });
    await person.chord('C');
    await expect.poll(() => focused(person)).toMatch(/: Save$/);
    await expect
      .poll(() =>
        person.page.getByRole('button', { name: 'Save' }).evaluate((button) => {
          const { x, y, width, height } = button.getBoundingClientRect();
          return document.elementFromPoint(x + width / 2, y + height / 2) === button;
        }),
      )
      .toBe(true);
  });

  it('discarding is not final: reopening offers what was discarded', async () => {
    const person = await at(atSession('a: a1* | b: b1'));
    await person.chord('C');
    await expect.poll(() => focused(person)).toMatch(/: Save$/);
    await person.press('ArrowRight', 'Enter');
    await person.window('a1 — A').waitFor({ state: 'detached' });
    await person.chord('Shift+R');
    await person.page.getByText('An unsaved draft from').waitFor();
    await expect.poll(() => focused(person)).toMatch(/: Use the draft$/);
    // While it waits, nothing is typed into the text beneath it.
    await person.text('a1').click();
    await person.page.keyboard.type('over it');
    expect(await person.written('a1')).toBe('a1');
    await person.page.getByRole('button', { name: 'Use the draft' }).press('Enter');
    await expect.poll(() => person.written('a1')).toBe('a1, edited');
  });
});

describe('keys that overlap', () => {
  it.each([
    ['C', 'A', 'B'],
    ['V', 'S', 'Z'],
    ['X', 'Z', 'R'],
  ])('letters after the search key are text until the hold key is up: %s %s %s', async (...letters) => {
    const person = await at(atSession('a: a1 | b: b1 | c: c1'));
    await person.hold('Q', ...letters);
    await person.page.keyboard.press('Shift+KeyE');
    const line = person.page.locator('input:focus');
    expect(await line.inputValue()).toBe(`${letters.join('').toLowerCase()}E`);
    await person.page.keyboard.press('Backspace');
    await person.release();
    await person.page.keyboard.type('ch');
    expect(await line.inputValue()).toBe(`${letters.join('').toLowerCase()}ch`);
    // From now on hold and letter is the action again.
    await person.press('Escape');
    expect(await person.frontName()).toBe('a1 — A');
    expect((await storedSession(person.session)).seq).toBe(0);
  });
});
