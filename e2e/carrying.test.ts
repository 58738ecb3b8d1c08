/** Documents in the cabinet, and carried to programs, by keyboard and by pointer. */
import { describe, expect, it } from 'vitest';
import { at } from './support/at';
import { atEllavane, storedSession, useBrowser, type Person } from './support/browser';

useBrowser();

/** The cabinet with its correspondence in front. */
async function atCabinet(): Promise<Person> {
  const person = await at(atEllavane());
  await person.chord('Q');
  await person.page.keyboard.type('correspondence');
  await person.press('Enter');
  await person.page.locator(':focus', { hasText: 'To Sable Wren' }).waitFor();
  return person;
}

const row = (person: Person, name: string) => person.rows.filter({ hasText: name }).first();

describe('the cabinet', () => {
  it('opens with another program: those that cannot are said, and Enter on one of them changes nothing', async () => {
    const person = await atCabinet();
    await person.press('ArrowDown', 'o');
    await person.switcher.getByText('Carry Notice 14 draft to').waitFor();
    await row(person, 'Berths').getByText('does not open it').waitFor();
    expect(await row(person, 'Letters').getByText('does not open it').count()).toBe(0);
    await person.press('Enter');
    await person.page.getByRole('status').getByText('Choose another program').waitFor();
    await person.page.keyboard.type('notes');
    await person.switcher.getByText('opens Notice 14 draft in Notes').waitFor();
    await person.press('Enter');
    await person.switcher.waitFor({ state: 'detached' });
    expect(await person.frontName()).toBe('Notice 14 draft — Notes');
    // It is there to be written in.
    await person.page.keyboard.type(' More.');
    await person.front.getByText('unsaved').waitFor();
    expect(person.errors).toEqual([]);
  });

  it('renames in its place, and makes a new document that stands in it', async () => {
    const person = await atCabinet();
    await person.press('F2');
    await person.page.keyboard.type('Tow of the Wren');
    await person.press('Enter');
    await person.page.locator(':focus', { hasText: 'Tow of the Wren' }).waitFor();
    expect(await person.window('Tow of the Wren — Letters').count()).toBe(1);
    await person.press('F2', 'x', 'Escape');
    await person.page.locator(':focus', { hasText: 'Tow of the Wren' }).waitFor();
    await person.press('n');
    await person.page.keyboard.type('roster');
    await person.press('Enter');
    await expect.poll(() => person.frontName()).toBe('Untitled — Roster');
    await person.chord('S');
    await expect.poll(() => person.front.getByRole('listitem').last().textContent()).toContain('Untitled');
  });

  it('lets a document be dragged onto a row, which unfolds, and onto a window there', async () => {
    const person = await atCabinet();
    const { mouse } = person.page;
    const item = await person.front.getByText('Reply about harbour dues').boundingBox();
    await mouse.move((item?.x ?? 0) + 20, (item?.y ?? 0) + 8);
    await mouse.down();
    await mouse.move((item?.x ?? 0) + 40, (item?.y ?? 0) + 20, { steps: 3 });
    await person.switcher.getByText('Carry Reply about harbour dues to').waitFor();
    const letters = await row(person, 'Letters').boundingBox();
    await mouse.move((letters?.x ?? 0) + 300, (letters?.y ?? 0) + 12, { steps: 4 });
    const leaf = person.switcher.getByRole('gridcell').filter({ hasText: 'Notice 14 draft' });
    await leaf.waitFor();
    const box = await leaf.boundingBox();
    await mouse.move((box?.x ?? 0) + 60, (box?.y ?? 0) + 60, { steps: 4 });
    await mouse.up();
    await person.switcher.waitFor({ state: 'detached' });
    expect(await person.frontName()).toBe('Reply about harbour dues — Letters');
    await person.sent();
    const { session } = await storedSession(person.session);
    const window = session.windows.find(({ id }) => id === 'w-letter-notice-14');
    expect(window?.tabs.map(({ document }) => document)).toEqual(['letter-notice-14', 'letter-dues']);
  });
});

describe('a file that is dropped', () => {
  const drop = (person: Person, name: string, text: string) =>
    person.page.evaluate(
      ([file = '', content = '']) => {
        const dataTransfer = new DataTransfer();
        dataTransfer.items.add(new File([content], file));
        document.body.dispatchEvent(new DragEvent('drop', { dataTransfer, bubbles: true, cancelable: true }));
      },
      [name, text],
    );

  it('is carried: the program that is chosen opens it', async () => {
    const person = await at(atEllavane());
    await drop(person, 'tugs.csv', 'Tug,Where\nAnvil,Tug Pier\n');
    await person.switcher.getByText('Carry tugs to').waitFor();
    await person.page.keyboard.type('berths');
    await person.press('Enter');
    await expect.poll(() => person.frontName()).toBe('tugs — Berths');
    await person.front.getByRole('gridcell', { name: 'Tug Pier' }).waitFor();
  });

  it('that is no text is not, and that is said', async () => {
    const person = await at(atEllavane());
    await drop(person, 'tug.png', '');
    await person.page.getByRole('status').getByText('tug.png is not taken in').waitFor();
    expect(await person.switcher.count()).toBe(0);
  });
});
