/** The drill: a round at the practice desk by keys, kept, and the person's own desk as it was. */
import type { Page } from 'playwright-core';
import { expect, it } from 'vitest';
import { at } from './support/at';
import { atEllavane, storedSession, useBrowser } from './support/browser';

useBrowser();

const task = (page: Page): Promise<string> =>
  page.getByRole('complementary', { name: 'Drill' }).getByRole('status').innerText();
/** By the digit that stands beside it in the index. */
const digitOf = (page: Page, application: string): Promise<string> =>
  page.locator('[data-place]').filter({ hasText: application }).locator('kbd').first().innerText();

it('practises one key after the other, keeps how it went, and leaves the own desk alone', async () => {
  const person = await at(atEllavane());
  const { page } = person;
  const before = await storedSession(person.session);
  await person.chord('Shift+Slash');
  await page.getByRole('button', { name: 'Begin a round' }).waitFor();
  await person.press('Enter');
  await expect.poll(() => task(page)).toBe('Back to Timber Quay, which you used before');
  await person.chord('S');
  // By other keys than those that are practised: done, and missed.
  await expect.poll(() => task(page)).toMatch(/^By stepping: to /);
  const { 1: title = '' } = /to (.*)$/.exec(await task(page)) ?? [];
  await person.chord('Q');
  await page.keyboard.type(title);
  await person.press('Enter');
  await expect.poll(() => task(page)).toMatch(/^By its place: to /);
  const { 1: application = '' } = /to (.*?),/.exec(await task(page)) ?? [];
  await person.chord(await digitOf(page, application));
  await expect.poll(() => task(page)).not.toContain(application);
  // A desk of one's own has dialogs; this one does not.
  await person.chord('Shift+M');
  expect(await page.getByRole('dialog').count()).toBe(0);
  await person.press('Escape');
  await page.getByRole('button', { name: 'Another round' }).waitFor();
  expect(await page.getByRole('heading', { level: 1 }).innerText()).toMatch(
    /^3 tasks done, 1 missed; \d+\.\d s/,
  );
  const rowOf = (skill: string) => page.getByRole('row', { name: new RegExp(`^${skill}`) });
  expect(await rowOf('Back to the window before').innerText()).toMatch(/\t1\t0\t\d/);
  expect(await rowOf('Stepping farther').innerText()).toMatch(/\t1\t1\t\tin 1 minute/);
  await page.reload();
  expect(await rowOf('Stepping farther').innerText()).toMatch(/\t1\t1\t/);
  await person.press('Escape');
  await person.front.waitFor();
  expect(await storedSession(person.session)).toEqual(before);
});

it('begins with what somebody wants to practise, and tells the keys of what takes long', async () => {
  const person = await at(atEllavane());
  const { page } = person;
  await page.goto(`${page.url()}/drill?skill=end-hung`);
  await page.getByRole('button', { name: 'Begin a round' }).waitFor();
  await page.clock.install();
  await person.press('h');
  await page.getByText('No key is held').waitFor();
  await person.press('h', 'Enter');
  await expect.poll(() => task(page)).toMatch(/does not answer: end it now$/);
  await page.clock.runFor(9_000);
  await expect.poll(() => task(page)).toMatch(/These keys do it:\s+Alt\s+.*Shift\s+V$/s);
  await page.clock.runFor(60_000);
  await page.getByRole('heading', { name: 'No task was done in this round.' }).waitFor();
  expect(await page.evaluate(() => document.activeElement?.textContent)).toBe('Another round');
});
