/** The survey in a browser: pictures where the windows lie, keys that go by position, and many windows laid out aside. */
import { describe, expect, it } from 'vitest';
import { toDocument } from '../src/lib/core/formats/session-document';
import { sessionOf } from '../testing/sessions';
import { at } from './support/at';
import { atEllavane, createSession, openPage, useBrowser, type Person } from './support/browser';

useBrowser();

const survey = (person: Person) => person.page.getByRole('dialog', { name: 'Survey' });
const highlighted = (person: Person) => survey(person).getByRole('option', { selected: true });

describe('the survey', () => {
  it('shows every window apart from the others, goes by arrows, and Enter brings one forward with the keys', async () => {
    const person = await at(atEllavane());
    await person.chord('W');
    await highlighted(person).waitFor();
    await expect
      .poll(() =>
        survey(person)
          .getByRole('option')
          .evaluateAll((all) => {
            const boxes = all.map((one) => one.getBoundingClientRect());
            return boxes.filter((a, n) =>
              boxes.some(
                (b, m) =>
                  m > n && a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom,
              ),
            ).length;
          }),
      )
      .toBe(0);
    expect(await survey(person).getByRole('option').count()).toBe(13);
    const first = await highlighted(person).textContent();
    await person.press('ArrowRight');
    expect(await highlighted(person).textContent()).not.toBe(first);
    await person.press('ArrowLeft');
    expect(await highlighted(person).textContent()).toBe(first);
    await person.page.keyboard.type('north quay');
    await expect.poll(() => survey(person).getByRole('option').count()).toBe(1);
    await person.press('Enter');
    await survey(person).waitFor({ state: 'detached' });
    expect(await person.frontName()).toBe('North Quay — Berths');
    expect(await person.page.evaluate(() => document.activeElement?.closest('section')?.id)).toBe(
      'window-w-north-quay',
    );
    expect(person.errors).toEqual([]);
  });

  it('waits for no motion: Enter straight after the key that opens it, and Escape, count at once', async () => {
    const person = await at(atEllavane());
    // There and back: at the end of a row an arrow has nowhere to go.
    for (const arrow of ['ArrowRight', 'ArrowLeft', 'ArrowRight']) {
      const before = await person.frontName();
      await person.chord('W');
      await person.press('Escape');
      await person.chord('W');
      await person.press(arrow, 'Enter');
      await expect.poll(() => person.frontName()).not.toBe(before);
    }
    await survey(person).waitFor({ state: 'detached' });
    await expect.poll(() => person.frontName()).not.toBe('');
    expect(await person.page.evaluate(() => document.activeElement?.closest('section') !== null)).toBe(true);
  });

  it('by the pointer: a press brings a window forward', async () => {
    const person = await at(atEllavane());
    await person.chord('W');
    await survey(person).getByRole('option', { name: 'Timber Quay' }).click();
    await survey(person).waitFor({ state: 'detached' });
    expect(await person.frontName()).toBe('Timber Quay — Berths');
  });

  it('of many windows is laid out aside, as captions, and goes on with the keys', async () => {
    const line = ['a', 'b', 'c', 'd']
      .map((id) => `${id}: ${Array.from({ length: 250 }, (_, n) => `${id}${n}`).join(' ')}`)
      .join(' | ');
    const person = await openPage(await createSession(toDocument(sessionOf(line))));
    const workers: string[] = [];
    person.page.on('worker', (worker) => workers.push(worker.url()));
    await person.chord('W');
    await highlighted(person).waitFor();
    expect(workers.join()).toContain('survey-worker');
    await survey(person).getByText('1 of 1000').waitFor();
    await person.press('PageDown');
    await survey(person).getByText('251 of 1000').waitFor();
    await person.press('Enter');
    await survey(person).waitFor({ state: 'detached' });
    expect(await person.frontName()).toBe('b0 — B');
  });
});
