/** Pages, windows and the browser's own keys with a real keyboard, in both engines. */
import { find, idsIn } from '../../src/lib/core/model/table';
import { describe, expect, it, onTestFinished } from 'vitest';
import { toDocument } from '../../src/lib/core/formats/session-document';
import { sessionOf } from '../../testing/sessions';
import { ENGINES } from '../../testing/display/engines';
import type { Sitting } from '../../testing/display/sitting';
import { useSeat } from '../support/at-the-keyboard';
import { storedSession } from '../support/browser';

/** What the X protocol calls it when keys go to the window under the pointer. */
const POINTER_ROOT = 1;

describe.each(ENGINES)('with real keys in %s', (engine) => {
  const seat = useSeat(engine);
  const chord = (...keys: string[]) => seat.keyboard.chord('AltLeft', ...keys);

  describe('with settings open', () => {
    it('what is bound reaches neither the browser nor the desk, and what is held is followed', async () => {
      const sitting = await seat.sit('a: a1 | b: b1');
      await chord('KeyQ');
      await seat.keyboard.type('settings');
      await sitting.switcherOn('Settings');
      await seat.keyboard.tap('Enter');
      await expect.poll(async () => (await sitting.screen()).settings).toBe(true);
      await sitting.handled('keyup', 'Enter');
      const before = (await sitting.seen()).length;
      await seat.keyboard.tap('AltLeft');
      await chord('KeyS', 'KeyV', 'Shift+KeyX', 'Space');
      await sitting.handled('keyup', 'AltLeft');
      const held = (await sitting.seen()).slice(before).filter(({ type }) => type === 'keydown');
      expect(held.filter(({ prevented, code }) => !prevented && code !== 'ShiftLeft')).toEqual([]);
      expect(await sitting.screen()).toMatchObject({ settings: true, switcher: false, hasFocus: true });
      expect(idsIn((await sitting.stored()).windows)).toEqual(['a1', 'b1']);
      await seat.keyboard.tap('Escape');
      await expect.poll(async () => (await sitting.screen()).settings).toBe(false);
      await chord('KeyS');
      await expect.poll(() => sitting.front()).toBe('b1');
    });
  });

  it('what is typed can be undone after it was saved', async () => {
    const sitting = await seat.sit('a: a1 | b: b1');
    const typing = async () => (await sitting.screen()).typing;
    await seat.keyboard.type(' more');
    await expect.poll(typing).toBe('a1 more');
    await expect
      .poll(() => sitting.page.evaluate(() => document.body.innerText.includes('· unsaved'), null))
      .toBe(true);
    await seat.keyboard.chord('ControlLeft', 'KeyS');
    await expect
      .poll(() => sitting.page.evaluate(() => document.body.innerText.includes('· unsaved'), null))
      .toBe(false);
    await seat.keyboard.chord('ControlLeft', 'KeyZ', 'KeyZ', 'KeyZ', 'KeyZ', 'KeyZ');
    await expect.poll(typing).toBe('a1');
  });

  it('seven sessions visited in one tab all store what is done, and the first is as it was on the way back', async () => {
    const sittings: Sitting[] = [];
    for (let n = 0; n < 7; n += 1) {
      const sitting = await seat.sit('a: a1 | b: b1');
      await chord('KeyS');
      await expect.poll(() => sitting.front()).toBe('b1');
      sittings.push(sitting);
    }
    for (const earlier of sittings.toReversed().slice(1)) {
      await chord('ArrowLeft');
      await expect
        .poll(() => earlier.page.evaluate(() => location.pathname, null).catch(() => null))
        .toBe(`/sessions/${earlier.session}`);
      await earlier.ready();
      await earlier.reached(seat.keyboard);
      await chord('KeyS');
      await expect.poll(() => earlier.front()).toBe('a1');
    }
  });

  it('seven windows of one session all follow, and all store', async () => {
    const sitting = await seat.sit('a: a1 | b: b1 | c: c1');
    const others: Sitting[] = [];
    for (let n = 0; n < 6; n += 1) others.push(await seat.sitAlso(sitting));
    await others.at(-1)?.reached(seat.keyboard);
    for (const code of ['KeyS', 'KeyA', 'KeyS']) await chord(code);
    await expect.poll(() => sitting.order()).toEqual(['b1', 'c1', 'a1']);
    for (const each of [sitting, ...others])
      await expect.poll(async () => (await each.screen()).foot).toMatch(/^B\nb1\n/);
  });

  it('of two windows side by side only the one with the focus shows a switcher', async () => {
    const left = await seat.sit('a: a1 | b: b1');
    const right = await seat.sitAlso(left);
    const [first, second] = seat.display.manager.windows.slice(-2) as [number, number];
    onTestFinished(() => seat.display.manager.place(first, 0, 0, 1300, 900));
    await seat.display.manager.place(first, 0, 0, 790, 900);
    await seat.display.manager.place(second, 800, 0, 790, 900);
    await seat.keyboard.click(1200, 600);
    await expect.poll(async () => (await right.screen()).hasFocus).toBe(true);
    await seat.keyboard.point(400, 600);
    await seat.keyboard.down('AltLeft').then(() => seat.keyboard.tap('KeyS'));
    await right.switcherOn('b1');
    await seat.keyboard.point(410, 610);
    expect(await left.screen()).toMatchObject({ switcher: false, hasFocus: false });
    await seat.keyboard.up('AltLeft');
    await expect.poll(() => right.front()).toBe('b1');
    expect((await left.screen()).switcher).toBe(false);
    // Where the focus follows the pointer, some browsers hand keys to a page that they do not call focused.
    seat.display.connection.client.SetInputFocus(POINTER_ROOT, POINTER_ROOT);
    await seat.keyboard.down('AltLeft').then(() => seat.keyboard.tap('KeyS'));
    await expect
      .poll(
        async () =>
          [...(await left.seen()), ...(await right.seen())].filter(({ code }) => code === 'KeyS').length,
      )
      .toBeGreaterThan(2);
    for (const each of [left, right]) {
      const { switcher, hasFocus } = await each.screen();
      expect(hasFocus || !switcher).toBe(true);
    }
    await seat.keyboard.tap('Escape').then(() => seat.keyboard.up('AltLeft'));
  });

  it('where keys need not be held, a tap opens the switcher, and a click meanwhile makes it none', async () => {
    const desk = sessionOf('a: a1 | b: b1');
    const sitting = await seat.sit(toDocument({ ...desk, settings: { ...desk.settings, holding: false } }));
    await seat.keyboard.down('AltLeft').then(() => seat.keyboard.click(300, 700));
    await seat.keyboard.up('AltLeft');
    await sitting.handled('keyup', 'AltLeft');
    expect((await sitting.screen()).switcher).toBe(false);
    await seat.keyboard.tap('AltLeft');
    await expect.poll(async () => (await sitting.screen()).switcher).toBe(true);
    await seat.keyboard.tap('ArrowDown', 'Enter');
    await expect.poll(() => sitting.front()).toBe('b1');
  });

  it('Alt with a key that is not ours is the browser’s while the switcher is closed, and ours while it is open', async () => {
    const sitting = await seat.sit('a: a1 | b: b1');
    const prevented = async (code: string) =>
      (await sitting.seen()).flatMap((each) =>
        each.code === code && each.type === 'keydown' ? [each.prevented] : [],
      );
    await chord('Quote');
    await sitting.handled('keyup', 'AltLeft');
    expect(await prevented('Quote')).toEqual([false]);
    await seat.keyboard.down('AltLeft').then(() => seat.keyboard.tap('KeyS', 'Quote', 'ArrowLeft', 'Home'));
    await sitting.handled('keyup', 'Home');
    expect(await prevented('Quote')).toEqual([false, true]);
    expect(await prevented('ArrowLeft')).toEqual([true]);
    expect(await prevented('Home')).toEqual([true]);
    await sitting.switcherOn('a1');
    await seat.keyboard.tap('Escape').then(() => seat.keyboard.up('AltLeft'));
  });

  it('leaving by the browser’s keys loses nothing, and coming back is at once', async () => {
    await seat.sit('x: x1');
    const sitting = await seat.sit('a: a1 | b: b1');
    const path = () => sitting.page.evaluate(() => location.pathname, null).catch(() => null);
    const draft = async () => find((await storedSession(sitting.session)).session.drafts, 'd-a1')?.text;
    await seat.keyboard.type(' more');
    await chord('ArrowLeft');
    await expect.poll(path).not.toBe(`/sessions/${sitting.session}`);
    await expect.poll(draft).toBe('a1 more');
    await chord('ArrowRight');
    await expect.poll(path).toBe(`/sessions/${sitting.session}`);
    // The very page that was left, which has forgotten nothing.
    expect((await sitting.seen()).map(({ code }) => code)).toContain('ArrowLeft');
    await sitting.ready();
    await sitting.reached(seat.keyboard);
    await seat.keyboard.type('over');
    await expect.poll(async () => (await sitting.screen()).typing).toBe('a1 moreover');
    await chord('Home');
    await expect.poll(path).not.toBe(`/sessions/${sitting.session}`);
    await expect.poll(draft).toBe('a1 moreover');
  });
});
