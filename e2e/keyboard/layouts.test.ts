/** Layouts, what is printed on the keys, and characters that need more than one key; with a real keyboard. */
import { find } from '../../src/lib/core/model/table';
import { describe, expect, it } from 'vitest';
import { LAYOUTS } from '../../src/lib/keyboards/layouts';
import { ENGINES } from '../../testing/display/engines';
import type { Sitting } from '../../testing/display/sitting';
import { useSeat } from '../support/at-the-keyboard';

describe.each(ENGINES)('with real keys in %s', (engine) => {
  const seat = useSeat(engine);
  const chord = (...keys: string[]) => seat.keyboard.chord('AltLeft', ...keys);
  const typing = (sitting: Sitting) => expect.poll(async () => (await sitting.screen()).typing);

  /** A text field that has nothing in it yet. */
  async function blank(layouts: string, ...options: string[]): Promise<Sitting> {
    seat.keyboard.layout(layouts, ...options);
    const sitting = await seat.sit('a: a1 | b: b1 b2');
    await seat.keyboard.tap('Backspace', 'Backspace');
    await typing(sitting).toBe('');
    return sitting;
  }

  const option = (sitting: Sitting) =>
    sitting.page.evaluate(
      () => document.querySelector('[role=option][data-highlighted]')?.textContent?.trim() ?? '',
      null,
    );

  /** What the foot line at rest calls the key that steps, after the hold key: its label, or `key` and where it is. */
  const stepLabel = (sitting: Sitting) =>
    sitting.page.evaluate(
      () =>
        document
          .querySelector('footer button[aria-label$=" Older application"]')
          ?.getAttribute('aria-label')
          ?.split(' ')[1],
      null,
    );

  /** The browser knows nothing of the keyboard, as on a first visit. */
  async function forget(sitting: Sitting) {
    await sitting.page.evaluate(() => localStorage.removeItem('key-fold/keyboard'), null);
    await sitting.goTo(`/sessions/${sitting.session}`);
  }

  describe.each(['fr', 'ru'])('on a keyboard for %s', (name) => {
    it('the positions hold, and the labels are those that the keys write', async () => {
      const sitting = await blank(name);
      const letters = LAYOUTS.find((layout) => layout.name === name)?.written ?? {};
      const codes = ['KeyS', 'KeyF', 'KeyD', 'KeyQ', 'KeyA'];
      await seat.keyboard.tap(...codes);
      await typing(sitting).toBe(codes.map((code) => letters[code]).join(''));
      const foot = async () => (await sitting.screen()).foot.toLowerCase().split('\n');
      await expect.poll(foot).toEqual(expect.arrayContaining(codes.map((code) => letters[code] ?? '')));
      await chord('KeyS');
      await expect.poll(() => sitting.front()).toBe('b1');
      await chord('KeyF');
      await expect.poll(() => sitting.front()).toBe('b2');
    });

    it('digits are positions too, whatever they write', async () => {
      const sitting = await blank(name);
      await chord('Digit2');
      await expect.poll(() => sitting.front()).toBe('b1');
      await chord('Digit2');
      await expect.poll(() => sitting.front()).toBe('b2');
      await chord('Backquote');
      await seat.keyboard.tap('Digit1', 'Enter');
      await expect.poll(() => sitting.front()).toBe('a1');
    });
  });

  it('labels that are not known are drawn, and the layout that is typed on is the one that is shown', async () => {
    const sitting = await blank('us,ru', 'grp:caps_toggle');
    await forget(sitting);
    const step = () => stepLabel(sitting);
    await expect.poll(step).toBe(engine === 'firefox' ? 'key' : 'S');
    await seat.keyboard.tap('KeyS');
    await expect.poll(step).toBe('S');
    // A browser may take a key that comes at once behind the change of layout for one of the layout before.
    const typed = () => seat.keyboard.tap('KeyS').then(step);
    await seat.keyboard.tap('CapsLock');
    await expect.poll(typed).toBe('Ы');
    await seat.keyboard.tap('CapsLock');
    await expect.poll(typed).toBe('S');
  });

  it('a layout that was chosen is kept by the browser', async () => {
    const sitting = await blank('us');
    await chord('KeyQ');
    await seat.keyboard.type('settings').then(() => seat.keyboard.tap('Enter'));
    await expect.poll(async () => (await sitting.screen()).settings).toBe(true);
    await seat.keyboard.tap('Tab').then(() => seat.keyboard.type('nowhere'));
    const list = () =>
      sitting.page.evaluate(() => document.querySelector('[role=listbox]')?.textContent?.trim(), null);
    await expect.poll(list).toBe('No layout is called that.');
    await seat.keyboard
      .tap(...Array.from('nowhere', () => 'Backspace'))
      .then(() => seat.keyboard.type('left'));
    await expect.poll(() => option(sitting)).toBe('English (Dvorak, left-handed)');
    await seat.keyboard.tap('Enter', 'Escape');
    await expect.poll(() => stepLabel(sitting)).toBe('K');
    await sitting.goTo(`/sessions/${sitting.session}`);
    expect(await stepLabel(sitting)).toBe('K');
    await forget(sitting);
  });

  it('AltGr and dead keys write, and are no shortcuts', async () => {
    const sitting = await blank('de');
    await seat.keyboard.chord('AltRight', 'KeyQ', 'KeyE');
    await seat.keyboard.tap('Equal', 'KeyE', 'Backquote', 'KeyA');
    await typing(sitting).toBe('@€éâ');
    expect((await sitting.screen()).switcher).toBe(false);
    await chord('KeyS');
    await expect.poll(() => sitting.front()).toBe('b1');
  });

  it('a dead key that waits leaves nothing lit, and the next chord works', async () => {
    const sitting = await blank('de');
    await seat.keyboard.tap('Equal');
    await chord('KeyS');
    // Longer than it takes until a held key is explained.
    await sitting.page.evaluate(() => new Promise((resolve) => setTimeout(resolve, 400)), null);
    expect((await sitting.screen()).foot).toMatch(/^Alt$/m);
    await seat.keyboard.tap('Escape');
    await chord('KeyS');
    await expect.poll(() => sitting.front()).toBe('b1');
    expect((await sitting.screen()).foot).toMatch(/^Alt$/m);
  });

  describe('where Alt with Shift goes on to the next layout', () => {
    it.each([
      ['Alt first', ['AltLeft', 'ShiftLeft']],
      ['Shift first', ['ShiftLeft', 'AltLeft']],
    ])('Shift is Shift all the same: %s', async (_, keys) => {
      const sitting = await blank('us,ru', 'grp:alt_shift_toggle');
      await seat.keyboard.down(...keys);
      await seat.keyboard.tap('KeyX');
      await seat.keyboard.up(...keys);
      await expect.poll(async () => find((await sitting.stored()).applications, 'b')?.hidden).toBe(true);
      expect(find((await sitting.stored()).applications, 'a')?.hidden).toBe(false);
      await seat.keyboard.down(...keys);
      await seat.keyboard.tap('KeyV');
      await seat.keyboard.up(...keys);
      await expect.poll(async () => find((await sitting.stored()).applications, 'a')?.running).toBe(false);
    });
  });
});
