/** Each screen in both themes, checked by axe-core (Deque's open-source checker of WCAG rules). */
import axe from 'axe-core';
import { describe, expect, it } from 'vitest';
import { ellavane } from '../src/lib/demo/ellavane';
import { at } from './support/at';
import { atSession, createSession, openPage, useBrowser, type Person } from './support/browser';

useBrowser();

/** What is wrong by all rules, or by some of them. */
async function violations(person: Person, rules: readonly string[] = []): Promise<string[]> {
  // Run through the debugger, not as a script of the page: its security policy would refuse that, rightly.
  await person.page.evaluate(axe.source);
  const found = await person.page.evaluate(async (only) => {
    const { axe: checker } = window as unknown as {
      axe: { run(options: object): Promise<{ violations: { id: string; nodes: { html: string }[] }[] }> };
    };
    // Targets of 24 px (WCAG 2.2, 2.5.8) are looked at only where one asks for it.
    const all = { rules: { 'target-size': { enabled: true } } };
    const { violations } = await checker.run(only.length > 0 ? { runOnly: only } : all);
    return violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html}`);
  }, rules);
  return found;
}

/** A dialog, opened by search. */
const opened =
  (letters: string, name: string) =>
  async (person: Person): Promise<void> => {
    await person.chord('Q');
    await person.page.keyboard.type(letters);
    await person.selectedLeaf.waitFor();
    await person.press('Enter');
    await person.page.getByRole('dialog', { name }).waitFor();
  };

const SCREENS: readonly [string, (person: Person) => Promise<unknown>][] = [
  ['the surface', async () => undefined],
  ['the switcher', async (person) => (await person.hold('S')).switcher.waitFor()],
  [
    'search',
    async (person) => {
      await person.chord('Q');
      await person.page.keyboard.type('to');
      await person.selectedLeaf.waitFor();
    },
  ],
  [
    'a question about unsaved work',
    async (person) => {
      await person.chord('S', 'S', 'S');
      await person.chord('C');
      await person.page.getByRole('toolbar').waitFor();
    },
  ],
  ['the settings', opened('settings', 'Settings')],
  ['the keys', opened('keys and help', 'Keys and help')],
  ['shortcuts', opened('shortcuts make', 'Shortcuts')],
  ['the reach check', opened('check which keys', 'Which keys arrive here?')],
  ['web pages', opened('web pages', 'Web pages as applications')],
  ['handing over', opened('hand over', 'Hand over')],
  ['the bare surface', async (person) => person.chord('G')],
  ['the survey', async (person) => (await person.chord('W')).page.getByRole('option').first().waitFor()],
  ['workspaces', async (person) => (await person.chord('P')).page.getByRole('dialog').waitFor()],
  ['a window with tabs', async (person) => (await person.chord('I')).page.getByRole('tablist').waitFor()],
];

it.each(SCREENS)('axe finds nothing on %s, by day and by night', async (_, open) => {
  const demo = ellavane(new Date());
  const settings = { ...demo.settings, theme: 'day' } as const;
  const person = await openPage(await createSession({ ...demo, settings }));
  await open(person);
  const page = person.page.locator('html');
  expect(await page.getAttribute('data-theme')).toBe('day');
  expect(await violations(person)).toEqual([]);
  // Themes differ in colours alone.
  await page.evaluate((html) => html.setAttribute('data-theme', 'night'));
  expect(await violations(person, ['color-contrast'])).toEqual([]);
  expect(person.errors).toEqual([]);
  await person.page.context().close();
});

describe.each([1280, 900, 660, 480])('on a page %i wide', (width) => {
  it('keys are shown whole or not at all', async () => {
    const person = await openPage(await createSession(ellavane(new Date())));
    await person.page.setViewportSize({ width, height: 800 });
    const cut = () =>
      person.page.evaluate(() => {
        const line = (key: Element) => key.closest('.overflow-hidden')?.getBoundingClientRect();
        return [
          ...document.querySelectorAll('footer .overflow-hidden kbd, [role=dialog] .overflow-hidden kbd'),
        ]
          .map((key) => ({ key: key.getBoundingClientRect(), line: line(key), text: key.textContent }))
          .filter(
            ({ key, line }) =>
              line && key.top < line.bottom && (key.left < line.left || key.right > line.right),
          )
          .map(({ text }) => text);
      });
    expect(await cut()).toEqual([]);
    await person.hold('S');
    await person.switcher.waitFor();
    expect(await cut()).toEqual([]);
    await person.release();
    await person.page.context().close();
  });
});

describe('on a page wide enough', () => {
  it.each(['C', 'Z', 'G'])(
    'what can be taken back after %s is said in words beside its keys',
    async (key) => {
      const person = await at(atSession('a: a1 | b: b1'));
      await person.chord(key);
      const button = person.page.locator('footer button').first();
      await button.getByText(/reopens|undoes/).waitFor();
      expect(await button.evaluate((line) => line.scrollHeight > line.clientHeight)).toBe(false);
    },
  );
});

it('where the system sets all colours, what is on or chosen can still be told from what is not', async () => {
  const person = await openPage(await createSession(ellavane(new Date())));
  await person.page.emulateMedia({ forcedColors: 'active' });
  await opened('settings', 'Settings')(person);
  const backgrounds = (selector: string) =>
    person.page
      .locator(`[role=dialog] ${selector}`)
      .evaluateAll((all) => [...new Set(all.map((one) => getComputedStyle(one).backgroundColor))]);
  const [chosen, others] = await Promise.all([
    backgrounds('[role=radio][data-state=checked]'),
    backgrounds('[role=radio]:not([data-state=checked])'),
  ]);
  expect(chosen).toHaveLength(1);
  expect(others).not.toEqual(expect.arrayContaining(chosen));
  const tap = person.page.getByRole('switch', { name: 'Tap instead of hold' });
  const looks = async () => [
    await tap.evaluate((one) => getComputedStyle(one).backgroundColor),
    await tap.locator('*').evaluate((knob) => getComputedStyle(knob).backgroundColor),
  ];
  const off = await looks();
  await tap.click();
  const on = await looks();
  expect(new Set(off).size).toBe(2);
  expect(new Set(on).size).toBe(2);
  expect(on[0]).not.toBe(off[0]);
});
