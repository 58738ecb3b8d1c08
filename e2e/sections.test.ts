/** The sections of the page, and the menu of whatever the keys act on. */
import { describe, expect, it } from 'vitest';
import { at } from './support/at';
import { atEllavane, atSession, useBrowser, type Person } from './support/browser';

useBrowser();

/** Where the focus is: the section’s role and what of it. */
const focused = (person: Person) =>
  person.page.evaluate(() => {
    const element = document.activeElement;
    if (element?.closest('footer')) return 'foot';
    if (element?.closest('[data-place]')) return 'index';
    return element?.closest('section')?.id ?? 'nowhere';
  });

describe('F6', () => {
  it('goes through window, index and foot line, and with Shift back', async () => {
    const person = await at(atSession('a: a1 | b: b1'));
    for (const section of ['index', 'foot', 'window-a1', 'index']) {
      await person.press('F6');
      await expect.poll(() => focused(person)).toBe(section);
    }
    for (const section of ['window-a1', 'foot', 'index']) {
      await person.press('Shift+F6');
      await expect.poll(() => focused(person)).toBe(section);
    }
    // In the foot line the keys are those of its buttons.
    await person.press('F6');
    await expect.poll(() => focused(person)).toBe('foot');
    await person.press('Enter');
    await person.switcher.waitFor();
  });
});

describe('the menu key', () => {
  const menu = (person: Person) => person.page.getByRole('menu');

  it.each(['ContextMenu', 'Shift+F10'])('%s opens the menu of the front window, by keys', async (key) => {
    const person = await at(atSession('a: a1 a2 | b: b1'));
    await person.press(key);
    await menu(person).waitFor();
    expect(await menu(person).getAttribute('aria-label')).toBe('What can be done with a1');
    await expect.poll(() => person.page.locator(':focus').textContent()).toContain('minimise');
    await person.press('Enter');
    await menu(person).waitFor({ state: 'detached' });
    await expect.poll(() => person.window('a1 — A').count()).toBe(0);
    expect(person.errors).toEqual([]);
  });

  it('of the highlight in the switcher is about that, and Escape gives the keys back', async () => {
    const person = await at(atEllavane());
    await person.chord('Q');
    await person.press('ArrowDown', 'ContextMenu');
    await menu(person).waitFor();
    expect(await menu(person).getAttribute('aria-label')).toBe('What can be done with Timber Quay');
    await person.page.getByRole('menuitem', { name: 'carry document' }).waitFor();
    await person.press('Escape');
    await menu(person).waitFor({ state: 'detached' });
    await expect.poll(() => focused(person)).toBe('window-w-lock-sill');
  });

  it('opens by the right button of the pointer on the head of a window', async () => {
    const person = await at(atEllavane());
    await person.page.locator('#window-w-timber-quay header').click({ button: 'right' });
    await menu(person).waitFor();
    expect(await menu(person).getAttribute('aria-label')).toBe('What can be done with Timber Quay');
  });
});
