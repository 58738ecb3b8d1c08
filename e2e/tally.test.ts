/** The tally of what someone did, from the keys to the figures; and the coach. */
import { expect, inject, it } from 'vitest';
import { ellavane } from '../src/lib/demo/ellavane';
import { DEMO_ID } from '../src/lib/demo/demo-id';
import { later, sessionOf } from '../testing/sessions';
import { toDocument } from '../src/lib/core/formats/session-document';
import { at } from './support/at';
import {
  atSession,
  createSession,
  openPage,
  storedSession,
  useBrowser,
  type Person,
} from './support/browser';

useBrowser();

const lines = async (session: string, query = ''): Promise<Record<string, unknown>[]> => {
  const response = await fetch(`${inject('baseUrl')}/api/sessions/${session}/switches${query}`);
  return (await response.text())
    .split('\n')
    .filter(Boolean)
    .map((line) => JSON.parse(line) as Record<string, unknown>);
};
const dialog = ({ page }: Person) => page.getByRole('dialog');
const title = async (person: Person) => dialog(person).getByRole('heading', { level: 2 }).textContent();

it('records each switch with its way, its keys and its time, and nothing that was typed', async () => {
  const person = await at(atSession('a: a1 a2 | b: b1 | c: c1'));
  await person.chord('S', 'S');
  await person.chord('1');
  await person.chord('Q');
  await person.page.keyboard.type('b1');
  await person.press('Enter');
  await expect.poll(async () => (await lines(person.session)).length).toBe(3);
  const recorded = await lines(person.session);
  expect(recorded.map(({ way, presses, to_window }) => [way, presses, to_window])).toEqual([
    ['step', 2, 'c1'],
    ['place', 1, 'a1'],
    ['search', 4, 'b1'],
  ]);
  expect(recorded.every(({ took_ms }) => Number(took_ms) >= 0)).toBe(true);
  expect(JSON.stringify(recorded)).not.toContain('"b1,');
});

it('shows the invented weeks of the demo by keys alone: figures, tables, periods, and back', async () => {
  const person = await at(openPage(DEMO_ID));
  const front = await person.frontName();
  await person.chord('Shift+M');
  const { page } = person;
  await expect
    .poll(() => title(person))
    .toMatch(/switches by keys took \d+ minutes?\. That saved \d+ minutes/);
  await expect.poll(() => page.locator('[data-drawn=true] .main-svg').count()).toBeGreaterThanOrEqual(6);
  await person.press('a');
  await expect.poll(() => page.getByText('All that is recorded').count()).toBe(1);
  const all = /^(\d,?\d*) switches/;
  await expect
    .poll(async () => Number(all.exec((await title(person)) ?? '')?.[1]?.replace(',', '')))
    .toBeGreaterThan(3_000);
  await person.press('t');
  await expect.poll(() => page.locator('[data-drawn]').count()).toBe(0);
  expect(await page.getByRole('columnheader', { name: 'Time of all' }).isVisible()).toBe(true);
  await person.press('Escape');
  await expect.poll(() => dialog(person).count()).toBe(0);
  expect(await person.frontName()).toBe(front);
});

it('advises which application to have at which digit, changes that once someone says so, and undoes it', async () => {
  const person = await at(openPage(DEMO_ID));
  const { page } = person;
  const placeOf = async (thing: string) => (await storedSession(DEMO_ID)).session.places.indexOf(thing);
  const before = await placeOf('berths');
  await person.chord('Backquote');
  await person.press('2', 'Delete', 'Escape');
  await expect.poll(() => placeOf('berths')).toBe(-1);
  await person.chord('Shift+M');
  const advice = page.getByRole('region', { name: 'Which key for what' });
  const line = advice.getByRole('listitem').filter({ hasText: 'has no place yet' });
  await expect
    .poll(() => line.textContent())
    .toMatch(/Berths\s+2 has.*would save \d+ (seconds|minutes) a week/);
  await advice.getByRole('button', { name: 'Put it there Berths' }).press('Enter');
  await expect.poll(() => placeOf('berths')).toBe(before);
  // It is reckoned anew with what keys mean now.
  await expect.poll(() => line.count()).toBe(0);
  await advice.getByRole('button', { name: 'Undo the last change' }).press('Enter');
  await expect.poll(() => placeOf('berths')).toBe(-1);
  await expect.poll(() => line.count()).toBe(1);
  await advice.getByRole('button', { name: 'Put it there Berths' }).press('Enter');
  await expect.poll(() => placeOf('berths')).toBe(before);
});

it('forgets what was recorded, after asking, and records nothing more once that is turned off', async () => {
  const person = await at(atSession('a: a1 | b: b1'));
  const { page } = person;
  await person.chord('S');
  await expect.poll(async () => (await lines(person.session)).length).toBe(1);
  await person.chord('Shift+M');
  await dialog(person).waitFor();
  await person.press('r');
  await page.getByText('1 line', { exact: false }).first().waitFor();
  expect(await page.locator('td', { hasText: 'step' }).count()).toBe(1);
  await page.getByRole('button', { name: 'everything' }).press('Enter');
  await page.getByRole('button', { name: 'Keep it' }).press('Enter');
  expect(await lines(person.session)).toHaveLength(1);
  await page.getByRole('button', { name: 'everything' }).press('Enter');
  await page.getByRole('button', { name: 'Forget it' }).press('Enter');
  await page.getByText('1 line forgotten.').waitFor();
  expect(await lines(person.session)).toEqual([]);
  await page.getByRole('switch', { name: 'Record switches' }).press('Space');
  // Back to the figures, of which there are none, and to the desk.
  await person.press('Escape');
  await page.getByText('Nothing is recorded yet', { exact: false }).waitFor();
  await person.press('Escape');
  await expect.poll(() => dialog(person).count()).toBe(0);
  await person.chord('S');
  await expect.poll(async () => person.frontName()).toContain('a1');
  await expect.poll(() => page.locator('[data-unsent="0"]').count()).toBe(1);
  expect(await lines(person.session)).toEqual([]);
});

it('has the coach say once which keys would have done, and not when it is turned off', async () => {
  const session = await createSession(toDocument(sessionOf('a: a1 | b: b1 | c: c1 | d: d1 | e: e1')));
  const person = await at(openPage(session, { coached: true }));
  const { page } = person;
  await person.chord('S', 'S');
  const advice = page.locator('footer', { hasText: 'Next time:' });
  await advice.waitFor();
  expect((await advice.locator('kbd').allTextContents()).slice(0, 2)).toEqual(['Alt', '3']);
  expect(await page.getByRole('status').textContent()).toBe('Next time, to c1: Alt 3.');
  await person.chord('Shift+N');
  await expect.poll(() => page.locator('footer').textContent()).toContain('The coach is off.');
  expect(await advice.count()).toBe(0);
});

it('refuses a span that is none, and answers for no session that is not there', async () => {
  const url = inject('baseUrl');
  const session = await createSession(ellavane(new Date(later(0))));
  expect((await fetch(`${url}/api/sessions/${session}/switches?since=yesterday`)).status).toBe(400);
  expect((await fetch(`${url}/api/sessions/nowhere/switches`)).status).toBe(404);
  const csv = await fetch(`${url}/api/sessions/${session}/switches?as=csv`);
  expect(csv.headers.get('content-type')).toContain('text/csv');
});
