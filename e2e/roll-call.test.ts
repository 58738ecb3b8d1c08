/** What hangs, from the chord to its end. */
import { expect, it } from 'vitest';
import { at } from './support/at';
import { atEllavane, atSession, openPage, storedSession, useBrowser } from './support/browser';

useBrowser();

it('has what hangs under the keys at once, ends it by one more, and keeps its drafts', async () => {
  const person = await at(atSession('a: a1 | b: b1 | c: c1*'));
  const { page } = person;
  const other = await at(openPage(person.session, { context: page.context() }));
  await other.page.evaluate(
    async ({ id }) => {
      const command = {
        type: 'stop-answering',
        application: 'c',
        id: crypto.randomUUID(),
        at: new Date().toISOString(),
      };
      const batch = { id: crypto.randomUUID(), v: 2, commands: [command] };
      await fetch(`/api/sessions/${id}/commands`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(batch),
      });
    },
    { id: person.session },
  );
  const foot = page.locator('footer').first();
  await expect.poll(() => foot.textContent()).toContain('C does not answer. Alt Shift G: roll call.');
  await person.chord('Shift+G');
  const focused = page.locator('[data-application]:focus');
  await expect.poll(() => focused.textContent()).toMatch(/C\s+has not answered for \d+ second/);
  await person.press('Delete');
  await expect.poll(() => focused.textContent()).toContain('A');
  await expect
    .poll(async () => (await storedSession(person.session)).session.recent.applications.length)
    .toBe(2);
  const { session } = await storedSession(person.session);
  expect(session.drafts.map(({ id }) => id)).toContain('d-c1');
  await person.press('Escape');
  await expect.poll(() => page.getByRole('dialog').count()).toBe(0);
  expect(await person.frontName()).toContain('a1');
});

it('restarts what hangs, with its windows, and goes to what is chosen', async () => {
  const person = await at(atEllavane());
  const { page } = person;
  await person.chord('Shift+G');
  const focused = page.locator('[data-application]:focus');
  await expect.poll(() => focused.textContent()).toMatch(/Sums\s+does not answer/);
  await person.press('Control+r');
  expect(await focused.textContent()).toMatch(/Sums\s+does not answer/);
  await person.press('r');
  await expect.poll(() => page.getByText('and all answer').count()).toBe(1);
  const sums = async () => {
    const { session } = await storedSession(person.session);
    const { running, answering } = session.applications.find(({ id }) => id === 'sums') ?? {};
    return [running, answering, session.windows.filter(({ application }) => application === 'sums').length];
  };
  await expect.poll(sums).toEqual([true, true, 1]);
  await person.press('End', 'Enter');
  await expect.poll(() => page.getByRole('dialog').count()).toBe(0);
  expect(await person.frontName()).toContain('Cabinet');
});
