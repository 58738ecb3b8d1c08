/** Windows on the surface: placing by keys and by the pointer, tabs, workspaces, and screens of other sizes. */
import { describe, expect, it } from 'vitest';
import { find } from '../src/lib/core/model/table';
import { at } from './support/at';
import { atEllavane, atSession, storedSession, useBrowser, type Person } from './support/browser';

useBrowser();

const boxOf = async (person: Person, id: string) => {
  const box = await person.page.locator(`#window-${id}`).boundingBox();
  return box && [box.x, box.y, box.width, box.height].map(Math.round);
};
const surfaceOf = (person: Person) =>
  person.page.getByRole('main').evaluate((main) => [main.clientWidth, main.clientHeight] as const);
/** Drags with the mouse from a point to another. */
async function drag({ page }: Person, from: readonly [number, number], to: readonly [number, number]) {
  // What moves windows comes when the pointer does, and then shows how.
  await expect
    .poll(async () => {
      await page.mouse.move(from[0] + 1, from[1]);
      await page.mouse.move(...from);
      return page.evaluate(() => document.documentElement.style.cursor);
    })
    .not.toBe('');
  await page.mouse.down();
  await page.mouse.move((from[0] + to[0]) / 2, (from[1] + to[1]) / 2, { steps: 4 });
  await page.mouse.move(...to, { steps: 4 });
  await page.mouse.up();
}

describe('placing by keys', () => {
  it('moves, sizes, shows the figures, and puts side by side what was used last; put back takes it back', async () => {
    const person = await at(atSession('a: a1 | b: b1'));
    const before = await boxOf(person, 'a1');
    await person.chord('N');
    await person.press('ArrowRight', 'ArrowDown', 'Shift+ArrowRight');
    expect(await person.page.locator('output').textContent()).toBe('324 × 200 at 34, 44');
    await person.press('Escape');
    expect(await boxOf(person, 'a1')).toEqual(before);
    await person.chord('Slash');
    const [width, height] = await surfaceOf(person);
    expect(await boxOf(person, 'a1')).toEqual([0, 0, width / 2, height]);
    expect(await boxOf(person, 'b1')).toEqual([width / 2, 0, width / 2, height]);
    const said = person.page.locator('[aria-live=polite]').first();
    expect(await said.textContent()).toContain('Side by side: a1, b1');
    await person.chord('Slash');
    await expect.poll(() => said.textContent()).toContain('Side by side: b1, a1');
    await person.chord('R');
    expect(await boxOf(person, 'a1')).toEqual(before);
    // The keys are where they were.
    expect(await person.page.evaluate(() => document.activeElement?.closest('section')?.id)).toBe(
      'window-a1',
    );
  });

  it('what is typed while a window is placed does not get into it', async () => {
    const person = await at(atSession('a: a1'));
    await person.chord('N');
    await person.page.keyboard.type('xyz');
    await person.press('Enter');
    await person.sent();
    expect((await storedSession(person.session)).session.drafts).toEqual([]);
    await person.page.keyboard.type('xyz');
    await expect
      .poll(async () => (await storedSession(person.session)).session.drafts.map(({ text }) => text))
      .toEqual(['a1xyz']);
  });
});

describe('placing by the pointer', () => {
  it('moves by the head, sizes at an edge, and fills nothing at the edge of the surface unless that is wished', async () => {
    const person = await at(atSession('a: a1 | b: b1'));
    await drag(person, [150, 35], [250, 135]);
    expect(await boxOf(person, 'a1')).toEqual([110, 120, 300, 200]);
    await drag(person, [409, 220], [459, 220]);
    expect(await boxOf(person, 'a1')).toEqual([110, 120, 350, 200]);
    await drag(person, [250, 135], [2, 300]);
    expect(await boxOf(person, 'a1')).toEqual([0, 285, 350, 200]);
    await person.chord('Q');
    await person.page.keyboard.type('settings');
    await person.press('Enter');
    await person.page.getByRole('radio', { name: 'it fills that half' }).click();
    await person.press('Escape');
    await drag(person, [150, 300], [2, 300]);
    const [width, height] = await surfaceOf(person);
    expect(await boxOf(person, 'a1')).toEqual([0, 0, width / 2, height]);
    await person.sent();
    expect(find((await storedSession(person.session)).session.windows, 'a1')).toMatchObject({
      part: 'left-half',
      geometry: { width: 350, height: 200 },
    });
    // By a double press it lies again where it lay.
    await person.page.mouse.dblclick(300, 15);
    expect((await boxOf(person, 'a1'))?.slice(2)).toEqual([350, 200]);
  });
});

describe('another screen', () => {
  it('has every window wholly in sight, and gives each its place back', async () => {
    const person = await atEllavane();
    const boxes = () =>
      person.page.locator('section[id^="window-"]').evaluateAll((all) =>
        all.map((one) => {
          const { offsetLeft, offsetTop, offsetWidth, offsetHeight } = one as HTMLElement;
          return [one.id, offsetLeft, offsetTop, offsetWidth, offsetHeight] as const;
        }),
      );
    const before = await boxes();
    for (const size of [
      { width: 390, height: 844 },
      { width: 640, height: 400 },
      { width: 2560, height: 1440 },
    ]) {
      await person.page.setViewportSize(size);
      const [width, height] = await surfaceOf(person);
      await expect
        .poll(async () =>
          (await boxes()).every(([, x, y, w, h]) => x >= 0 && y >= 0 && x + w <= width && y + h <= height),
        )
        .toBe(true);
    }
    await person.page.setViewportSize({ width: 1280, height: 800 });
    await expect.poll(boxes).toEqual(expect.arrayContaining(before));
  });
});

describe('tabs', () => {
  it('keep what is in them while another one is shown, go round, close, come back and are torn off', async () => {
    const person = await at(atSession('a: a1 | b: b1'));
    await person.chord('L');
    const selected = person.page.getByRole('tab', { selected: true });
    expect(await person.page.getByRole('tab').allTextContents()).toEqual(['a1', 'a']);
    expect(await selected.textContent()).toBe('a');
    await person.page.keyboard.type('new work');
    await person.chord('J');
    expect(await selected.textContent()).toBe('a1');
    await person.page.keyboard.type('old work');
    await person.chord('K');
    expect(await person.page.getByRole('tabpanel').getByRole('textbox').textContent()).toContain('new work');
    await person.page.getByRole('tab', { name: 'a1' }).click();
    expect(
      await person.page.evaluate(() => document.activeElement?.closest('[role=tabpanel]')?.id),
    ).toContain('t-a1');
    await person.page.keyboard.press('Control+Digit2');
    expect(await selected.textContent()).toBe('a');
    await person.chord('Shift+L');
    expect(await person.frontName()).toBe('a — A');
    expect(await person.page.getByRole('tab').count()).toBe(0);
    await person.chord('Shift+Semicolon');
    expect(await person.page.getByRole('tab').allTextContents()).toEqual(['a1', 'a']);
    await person.sent();
    const { session } = await storedSession(person.session);
    expect(session.windows.map(({ id, tabs }) => [id, tabs.length])).toEqual([
      ['a1', 2],
      ['b1', 1],
    ]);
    expect(find(session.drafts, 'd-a1')?.text).toContain('old work');
  });

  it('with unsaved work ask before they close', async () => {
    const person = await at(atSession('a: a1'));
    await person.chord('L');
    await person.page.keyboard.type('work');
    await person.chord('Semicolon');
    await person.page.getByRole('button', { name: 'Discard' }).click();
    expect(await person.frontName()).toBe('a1 — A');
    await person.chord('Shift+R');
    expect(await person.page.getByRole('tab', { selected: true }).textContent()).toBe('a');
    await expect
      .poll(() => person.page.getByRole('tabpanel').getByRole('textbox').textContent())
      .toContain('work');
  });
});

describe('workspaces', () => {
  it('are added, named, removed, put back and gone to by keys alone', async () => {
    const person = await at(atSession('a: a1 a2~ | b: b1'));
    await person.chord('P');
    const dialog = person.page.getByRole('dialog', { name: 'Workspaces' });
    await dialog.waitFor();
    const names = () => dialog.locator('[data-workspace] b').allTextContents();
    expect(await names()).toEqual(['Here', 'There']);
    await person.press('ArrowDown', 'F2');
    await person.page.keyboard.type('Plans');
    await person.press('Enter');
    await expect.poll(names).toEqual(['Here', 'Plans']);
    await person.press('Delete');
    await expect.poll(names).toEqual(['Here']);
    await dialog.getByRole('textbox', { name: 'Name of a new workspace' }).focus();
    await person.page.keyboard.type('Night');
    await person.press('Enter');
    await expect.poll(names).toEqual(['Here', 'Night']);
    // The new one has the focus: Shift and Enter take the front window along.
    await person.press('Shift+Enter');
    await dialog.waitFor({ state: 'hidden' });
    expect(await person.frontName()).toBe('a1 — A');
    await expect.poll(() => person.page.locator('footer').textContent()).toContain('Workspace: Night');
    await person.chord('R');
    await person.chord('P');
    await expect.poll(names).toEqual(['Here', 'Plans', 'Night']);
    await person.press('Escape');
    await person.chord('O');
    await expect.poll(() => person.page.locator('footer').textContent()).toContain('Workspace: Here');
    expect(await person.frontName()).toBe('b1 — B');
    expect(person.errors).toEqual([]);
  });
});

describe('the rim', () => {
  it('does nothing until something is chosen, and then only for a pointer that rests without a button down', async () => {
    const person = await at(atSession('a: a1 | b: b1'));
    const { mouse } = person.page;
    const survey = person.page.getByRole('dialog', { name: 'Survey' });
    const told = person.page.locator('[data-rim]');
    const box = await person.page.getByRole('main').boundingBox();
    if (!box) throw new Error('There is no surface');
    const corner = [box.x + 2, box.y + box.height - 2] as const;
    await mouse.move(...corner);
    await person.chord('Q');
    await person.page.keyboard.type('settings');
    await person.press('Enter');
    await person.page
      .getByRole('combobox', { name: 'bottom left' })
      .selectOption('Survey all windows at once');
    await person.press('Escape');
    // Whoever drags something there is not interrupted, also when the button comes up.
    await mouse.move(box.x + 300, box.y + box.height - 100);
    await mouse.down();
    await mouse.move(...corner);
    await mouse.up();
    expect(await told.count()).toBe(0);
    await mouse.move(box.x + 300, box.y + box.height - 100);
    await mouse.move(...corner);
    expect(await told.textContent()).toContain('Survey');
    await survey.waitFor();
    expect(await told.count()).toBe(0);
    await person.sent();
    expect((await storedSession(person.session)).session.settings.rim).toEqual({ bottomLeft: 'survey' });
  });
});
