/** The programs in the windows: each works, by keyboard, and keeps what it holds. */
import { readFile } from 'node:fs/promises';
import { describe, expect, it } from 'vitest';
import { toDocument } from '../src/lib/core/formats/session-document';
import { find } from '../src/lib/core/model/table';
import { sessionOf } from '../testing/sessions';
import { at } from './support/at';
import {
  atEllavane,
  atSession,
  createSession,
  newContext,
  openPage,
  storedSession,
  useBrowser,
  type Person,
} from './support/browser';

useBrowser();

/** The harbour office with a document in front, as search goes to it. */
async function on(title: string): Promise<Person> {
  const person = await at(atEllavane());
  await person.chord('Q');
  await person.page.keyboard.type(title);
  await person.press('Enter');
  await expect.poll(() => person.frontName()).toContain(title);
  return person;
}

/** What the server has of a document. What is typed is handed on a moment later, so this is asked until it is so. */
const textOf = async (person: Person, document: string) => {
  await person.sent();
  const { session } = await storedSession(person.session);
  return find(session.drafts, document)?.text ?? find(session.documents, document)?.text ?? '';
};

describe('letters', () => {
  it('count their words, find letters and step through them, and leave finding with the keys in the text', async () => {
    const person = await on('Notice 14 draft');
    await person.front.getByText('25 words').waitFor();
    await person.press('Control+f');
    await person.page.keyboard.type('the');
    await person.front.getByText('1 of 5').waitFor();
    await person.press('Enter');
    await person.front.getByText('2 of 5').waitFor();
    await person.press('Shift+Enter', 'Shift+Enter');
    await person.front.getByText('5 of 5').waitFor();
    await person.press('Escape');
    expect(await person.page.locator(':focus').getAttribute('role')).toBe('textbox');
    // What was found last is selected.
    await person.page.keyboard.type('THE');
    await expect.poll(() => textOf(person, 'letter-notice-14')).toContain('channel until furTHEr notice');
    await person.front.getByText('unsaved').waitFor();
    await person.press('Control+s');
    await person.front.getByText('unsaved').waitFor({ state: 'detached' });
    expect(person.errors).toEqual([]);
  });

  it('undo what was written in them, and nothing of another one', async () => {
    const person = await at(atSession('a: a1 a2'));
    await person.page.keyboard.type(' one');
    await person.chord('F');
    expect(await person.frontName()).toBe('a2 — A');
    await person.page.keyboard.type(' two');
    // What is typed slowly is undone in several steps; more than there are do nothing.
    for (let step = 0; step < 4; step += 1) await person.press('Control+z');
    expect([await person.written('a1'), await person.written('a2')]).toEqual(['a1 one', 'a2']);
    for (let step = 0; step < 4; step += 1) await person.press('Control+Shift+z');
    expect(await person.written('a2')).toBe('a2 two');
  });

  it('take in what another page writes, and keep the caret where it is', async () => {
    const person = await at(atSession('a: a1'));
    const other = await at(atSession('b: b1'));
    await other.page.goto(person.page.url());
    await other.page.getByRole('main').waitFor();
    await person.press('Control+End');
    await other.press('Control+Home');
    await other.page.keyboard.type('once: ');
    await expect.poll(() => person.written('a1')).toBe('once: a1');
    await person.page.keyboard.type('!');
    expect(await person.written('a1')).toBe('once: a1!');
    await expect.poll(() => other.written('a1')).toBe('once: a1!');
  });
});

describe('letters whose editor has not come yet', () => {
  /** Someone whose page does not get the editor's code before `bring`, or is refused it. */
  async function withoutEditor(line: string) {
    const context = await newContext();
    let answer: (comes: boolean) => void = () => undefined;
    const comes = new Promise<boolean>((resolve) => (answer = resolve));
    await context.route('**/immutable/**/*.js', async (route) => {
      const response = await route.fetch();
      const late = (await response.text()).includes('ProseMirror');
      await (!late || (await comes) ? route.fulfill({ response }) : route.abort());
    });
    const session = await createSession(toDocument(sessionOf(line)));
    const person = await at(openPage(session, { context }));
    await person.page.locator('textarea:focus').waitFor();
    const bring = () => {
      answer(true);
      return person.page.locator('#window-a1 [role=textbox]').waitFor();
    };
    return { person, bring, refuse: () => answer(false) };
  }

  it('are written at once, and the editor goes on where one is', async () => {
    const { person, bring } = await withoutEditor('a: a1');
    await person.page.keyboard.type(' one');
    await person.press('Enter', '2', 'ArrowLeft', 'ArrowLeft', 'Shift+ArrowLeft');
    expect(await person.written('a1')).toBe('a1 one\n2');
    await bring();
    expect(await person.written('a1')).toBe('a1 one\n2');
    // The selection goes on from the side where it was, in the editor that has the keys.
    await person.press('Shift+ArrowLeft', 'X');
    expect(await person.written('a1')).toBe('a1 oX\n2');
    await expect.poll(() => textOf(person, 'd-a1')).toBe('a1 oX\n2');
    await person.press('Control+z', 'Control+z', 'Control+z');
    expect(await person.written('a1')).toBe('a1');
    await person.press('Control+Shift+z', 'Control+Shift+z', 'Control+Shift+z');
    expect(await person.written('a1')).toBe('a1 oX\n2');
  });

  it('lose no letter to the editor that comes while they are typed', async () => {
    const { person, bring } = await withoutEditor('a: a1');
    const letters = 'abcdefghijklmnopqrstuvwxyz'.repeat(4);
    await person.page.keyboard.type(letters);
    const coming = bring();
    await person.page.keyboard.type(letters, { delay: 5 });
    await coming;
    expect(await person.written('a1')).toBe(`a1${letters}${letters}`);
  });

  it('keep the letter that is being put together', async () => {
    const { person, bring } = await withoutEditor('a: a1');
    const devtools = await person.page.context().newCDPSession(person.page);
    await devtools.send('Input.imeSetComposition', { text: 'か', selectionStart: 1, selectionEnd: 1 });
    const code = person.page.waitForResponse(async (response) =>
      (await response.text()).includes('ProseMirror'),
    );
    const coming = bring();
    await code;
    await person.page.evaluate(() => new Promise((done) => setTimeout(done)));
    await devtools.send('Input.insertText', { text: '火' });
    await coming;
    expect(await person.written('a1')).toBe('a1火');
  });

  it('are found in once it is there, as was asked', async () => {
    const { person, bring } = await withoutEditor('a: a1');
    await person.page.keyboard.type(' on and on and on');
    await person.press('Control+f');
    await person.page.keyboard.type('on');
    await person.press('Enter', 'Enter');
    await bring();
    await person.front.getByText('3 of 3').waitFor();
    await person.press('Escape', 'X');
    expect(await person.written('a1')).toBe('a1 on and on and X');
  });

  it('take in what another page writes, and no more than can be kept', async () => {
    const { person, bring } = await withoutEditor('a: a1');
    const other = await at(openPage(person.session));
    await other.press('Control+Home');
    await other.page.keyboard.type('once: ');
    await expect.poll(() => person.written('a1')).toBe('once: a1');
    await person.press('!');
    expect(await person.written('a1')).toBe('once: a1!');
    await person.page.keyboard.insertText('wide '.repeat(12_000));
    await person.page.getByRole('status').getByText('longer than can be kept').waitFor();
    expect(await person.written('a1')).toBe('once: a1!');
    await bring();
    await person.press('Control+z', 'Control+z');
    expect(await person.written('a1')).toBe('once: a1');
  });

  it('are written without it where it cannot come, and what it alone does is said', async () => {
    const { person, refuse } = await withoutEditor('a: a1');
    refuse();
    await person.press('Control+f', 'a');
    await person.page.getByRole('status').getByText('Nothing can be found').waitFor();
    await person.press('!');
    expect(await person.written('a1')).toBe('a1!');
    await expect.poll(() => textOf(person, 'd-a1')).toBe('a1!');
  });
});

describe('what would be too long', () => {
  it('is not taken in, and that is said; what is there stays', async () => {
    const person = await at(atSession('a: a1'));
    // Not the field before the editor: what is pasted into that is for the browser to do.
    await person.page.locator('#window-a1 [role=textbox]').evaluate((text) => {
      const clipboardData = new DataTransfer();
      clipboardData.setData('text/plain', 'x'.repeat(60_000));
      text.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }));
    });
    await person.page.getByRole('status').getByText('longer than can be kept').waitFor();
    expect(await person.written('a1')).toBe('a1');
    await person.page.keyboard.type('!');
    expect(await person.written('a1')).toBe('a1!');
  });
});

describe('tables', () => {
  const grid = (person: Person) => person.front.getByRole('grid');
  const column = (person: Person, nth: number) =>
    grid(person).locator(`tbody td:nth-child(${nth})`).allTextContents();
  const trimmed = (all: string[]) => all.map((text) => text.trim());

  it('are edited cell by cell, keep the change as a draft, and take it back', async () => {
    const person = await on('Timber Quay');
    await person.press('Control+Home', 'ArrowDown', 'ArrowRight', 'F2');
    await person.press('Control+a');
    await person.page.keyboard.type('Petrel of Vane');
    await person.press('Enter');
    expect(trimmed(await column(person, 2)).slice(0, 3)).toEqual(['Sable Wren', 'Petrel of Vane', 'free']);
    // The keys are one row further down.
    await person.page.keyboard.type('closed');
    await person.press('Tab');
    await person.page.keyboard.type('12 m');
    await person.press('Escape');
    await expect.poll(() => textOf(person, 'timber-quay')).toContain('T2,Petrel of Vane,61 m');
    await expect.poll(() => textOf(person, 'timber-quay')).toContain('T3,closed,—');
    await person.front.getByText('unsaved').waitFor();
    await person.press('Control+z', 'Control+z');
    expect(trimmed(await column(person, 2))[1]).toBe('Lanternfish');
    await person.press('Control+y');
    expect(trimmed(await column(person, 2))[1]).toBe('Petrel of Vane');
    await person.press('Control+s');
    await person.sent();
    const { session } = await storedSession(person.session);
    expect(find(session.documents, 'timber-quay')?.text).toContain('T2,Petrel of Vane');
    expect(person.errors).toEqual([]);
  });

  it('keep what stands in an open cell when one switches away', async () => {
    const person = await on('North Quay');
    await person.press('Control+Home', 'ArrowRight', 'F2');
    await person.page.keyboard.type('?');
    await person.chord('S');
    await expect.poll(() => textOf(person, 'north-quay')).toContain('N1,Quillfeather?,');
  });

  it('are sorted by their headers, filtered, and give and lose rows', async () => {
    const person = await on('Timber Quay');
    await person.press('Control+Home', 'ArrowRight', 'ArrowRight', 'ArrowUp', 'Enter');
    expect(trimmed(await column(person, 3))).toEqual(['47 m', '61 m', '88 m', '104 m', '—']);
    expect(await person.page.locator(':focus').getAttribute('aria-sort')).toBe('ascending');
    await person.press('Enter', 'Enter');
    expect(trimmed(await column(person, 1))).toEqual(['T1', 'T2', 'T3', 'T4', 'T5']);
    await person.press('Control+f');
    await person.page.keyboard.type('ter');
    await person.front.getByText('2 of 5 rows').waitFor();
    await person.press('Escape', 'Control+End', 'Control+Enter');
    await person.page.keyboard.type('T6');
    await person.press('Enter');
    await expect.poll(() => textOf(person, 'timber-quay')).toMatch(/\nT6,,,,$/);
    await person.press('Control+Delete');
    await expect.poll(() => textOf(person, 'timber-quay')).not.toContain('T6');
  });

  it('go out as CSV and come in', async () => {
    const person = await on('Week 48');
    const [file] = await Promise.all([
      person.page.waitForEvent('download'),
      person.front.getByRole('button', { name: 'CSV out' }).click(),
    ]);
    expect(file.suggestedFilename()).toBe('Week 48.csv');
    expect(await readFile(await file.path(), 'utf8')).toBe(await textOf(person, 'week-48'));
    const [chooser] = await Promise.all([
      person.page.waitForEvent('filechooser'),
      person.front.getByRole('button', { name: 'CSV in' }).click(),
    ]);
    await chooser.setFiles({
      name: 'week-49.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from('Watch,Mon\nEarly,"Quant, I."\n'),
    });
    await person.front.getByText('1 row', { exact: true }).waitFor();
    await expect.poll(() => textOf(person, 'week-48')).toBe('Watch,Mon\nEarly,"Quant, I."');
  });
});

describe('what is looked at', () => {
  const says = (person: Person) => person.front.getByRole('slider').getAttribute('aria-valuetext');

  it('tides: an instant led by keys, the next waters, and two datums', async () => {
    const person = await on('North Gauge');
    const now = await says(person);
    expect(now).toMatch(/\d m, (rising|falling) · (high|low) water \d\d:\d\d, .* · (high|low) water/);
    await person.press('ArrowDown');
    const turned = await says(person);
    expect(turned).not.toBe(now);
    await person.press('ArrowRight', 'ArrowLeft');
    expect(await says(person)).toBe(turned);
    await person.press('d');
    expect(Number.parseFloat(/([-−\d.]+) m,/.exec((await says(person)) ?? '')?.[1] ?? '')).toBeLessThan(2.8);
    await person.press('Home', 'd');
    expect(await says(person)).toBe(now);
  });

  it('wind: along the day, with its force', async () => {
    const person = await on('Wind');
    await person.press('ArrowRight', 'ArrowRight', 'ArrowRight', 'ArrowRight', 'ArrowRight', 'ArrowRight');
    expect(await says(person)).toBe('21:00 · NW 13 knots, gusts 18 · force 4, moderate breeze · sea slight');
    await person.press('ArrowLeft');
    expect(await says(person)).toContain('18:00 · W 19 knots');
  });

  it('the radio: a call is marked, stays so, and can be shown alone; pausing holds it', async () => {
    const person = await on('Channel 12');
    const calls = person.front.getByRole('listitem');
    const all = await calls.count();
    await person.press('ArrowDown', 'Enter');
    await person.front.getByText(`${all} calls, 1 marked`).waitFor();
    const text = await textOf(person, 'channel-12');
    expect(text).toMatch(/^Time,From,Message,Marked\n/);
    expect(text.split('\n').filter((line) => line.endsWith(',x'))).toHaveLength(1);
    await person.front.getByRole('button', { name: 'Only marked' }).click();
    await expect.poll(() => calls.count()).toBe(1);
    await person.front.getByRole('button', { name: 'Pause' }).click();
    await person.front.getByText('nothing is heard').waitFor();
  });

  it('byelaws: the contents turn to a section', async () => {
    const person = await on('Towing guide');
    await expect.poll(() => person.page.locator(':focus').getAttribute('aria-label')).toBe('Towing guide');
    await person.press('Shift+Tab');
    await person.page.locator(':focus', { hasText: '§ 12' }).waitFor();
    await person.press('ArrowDown');
    expect(await person.page.locator(':focus').textContent()).toContain('§ 13');
    expect(await person.page.locator(':focus').getAttribute('aria-current')).toBe('location');
    await person.press('End');
    expect(await person.page.locator(':focus').textContent()).toContain('§ 14');
  });
});

describe('sums', () => {
  it('are reckoned while they are written, with the parts of the water under the keel', async () => {
    const person = await on('Under-keel clearance');
    await person.front.getByRole('group', { name: 'What the water' }).getByText('clearance 0.93').waitFor();
    await person.chord('Q');
    await person.page.keyboard.type('new sheet of sums');
    await person.press('Enter');
    await expect.poll(() => person.frontName()).toContain('New sums');
    await person.page.keyboard.type('a = 2 # tugs\na * 21 + 1/4');
    await person.front.getByText('42.25', { exact: true }).waitFor();
    await person.page.keyboard.type(' +');
    await person.front.getByText('not understood').waitFor();
    expect(person.errors).toEqual([]);
  });

  it('hear nothing of a selection that changed before their window went', async () => {
    const person = await on('Under-keel clearance');
    const text = await person.front.locator('textarea').elementHandle();
    await person.chord('Shift+V');
    await expect.poll(() => person.front.locator('textarea').count()).toBe(0);
    // The browser tells of it in a task of its own, which may come after that.
    await text?.evaluate((element) => element.dispatchEvent(new Event('selectionchange')));
    expect(person.errors).toEqual([]);
  });
});

describe('the workshop', () => {
  it('opens windows, asks on closing, and stops answering, as it is told', async () => {
    const person = await at(atEllavane());
    await person.chord('Q');
    await person.page.keyboard.type('workshop');
    await person.press('Enter');
    await expect.poll(() => person.frontName()).toContain('Workbench');
    await person.press('Control+a');
    await person.page.keyboard.type('120');
    await person.press('Enter');
    const opened = async () => {
      await person.sent();
      const { session } = await storedSession(person.session);
      return session.windows.filter(({ application }) => application === 'workshop').length;
    };
    await expect.poll(opened).toBe(121);
    await person.front.getByRole('button', { name: 'Ask on closing' }).click();
    await person.chord('C');
    await person.page.getByRole('toolbar').waitFor();
    await person.press('Escape');
    await person.front.getByRole('button', { name: 'Stop answering' }).click();
    await person.front.getByText('not responding').waitFor();
  });
});
