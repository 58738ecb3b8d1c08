/** Switching, putting away and ending with real keys, in both engines: what is stored, and what is on the screen. */
import { idsIn } from '../../src/lib/core/model/table';
import { applicationOf } from '../../src/lib/core/slices/applications/selectors';
import { windowOf } from '../../src/lib/core/slices/windows/selectors';
import { describe, expect, it } from 'vitest';
import type { Session } from '../../src/lib/core/session/session';
import { ENGINES } from '../../testing/display/engines';
import type { Sitting } from '../../testing/display/sitting';
import { useSeat } from '../support/at-the-keyboard';

describe.each(ENGINES)('with real keys in %s', (engine) => {
  const seat = useSeat(engine);
  const chord = (...keys: string[]) => seat.keyboard.chord('AltLeft', ...keys);

  /** Opens the switcher by one step, and goes on holding. */
  async function opened(sitting: Sitting, highlighted: string) {
    await seat.keyboard.down('AltLeft');
    await seat.keyboard.tap('KeyS');
    await sitting.switcherOn(highlighted);
  }

  describe('letting go after stepping', () => {
    it.each([
      ['flips', ['KeyS'], 'b1 a1 a2 a3 c1'],
      ['goes several back', ['KeyS', 'KeyS'], 'c1 a1 a2 a3 b1'],
      ['goes to the first newer one, which is the last', ['KeyA'], 'c1 a1 a2 a3 b1'],
      ['goes to the next window', ['KeyF'], 'a2 a1 a3 b1 c1'],
      ['goes to the previous window', ['KeyD'], 'a3 a1 a2 b1 c1'],
      ['goes to a window of a row', ['KeyS', 'KeyA', 'KeyF', 'KeyF'], 'a3 a1 a2 b1 c1'],
      ['chooses nothing after Escape', ['KeyS', 'Escape'], 'a1 a2 a3 b1 c1'],
    ])('%s', async (_, codes, order) => {
      const sitting = await seat.sit('a: a1 a2 a3 | b: b1 | c: c1');
      await chord(...codes);
      await sitting.handled('keyup', 'AltLeft');
      await sitting.switcherGone();
      expect((await sitting.order()).join(' ')).toBe(order);
    });

    it('comes out right after very quick taps in bursts, and types nothing', async () => {
      const sitting = await seat.sit('a: a1 | b: b1 | c: c1');
      for (let n = 0; n < 7; n += 1) await chord('KeyS');
      for (let n = 0; n < 2; n += 1) await chord('KeyS', 'KeyS');
      await expect.poll(() => sitting.order()).toEqual(['a1', 'c1', 'b1']);
      expect(await sitting.screen()).toMatchObject({ switcher: false, typing: 'a1' });
    });

    it('is letting go also while the letter is still down, which types nothing', async () => {
      const sitting = await seat.sit('a: a1 | b: b1');
      await seat.keyboard.down('AltLeft', 'KeyS');
      await seat.keyboard.up('AltLeft', 'KeyS');
      await expect.poll(() => sitting.front()).toBe('b1');
      await seat.keyboard.tap('KeyX');
      await expect.poll(async () => (await sitting.screen()).typing).toBe('b1x');
    });

    it('works with Caps Lock and Num Lock on', async () => {
      const sitting = await seat.sit('a: a1 | b: b1');
      await seat.keyboard.tap('CapsLock', 'NumLock');
      await chord('KeyS');
      await expect.poll(() => sitting.front()).toBe('b1');
      await seat.keyboard.tap('CapsLock', 'NumLock');
      expect((await sitting.screen()).typing).toBe('b1');
    });

    it.each([
      ['left Alt, Shift last', ['AltLeft', 'KeyS', 'ShiftLeft'], ['AltLeft', 'ShiftLeft']],
      ['left Alt, Shift first', ['ShiftLeft', 'AltLeft', 'KeyS'], ['AltLeft', 'ShiftLeft']],
      ['right Alt, Shift last', ['AltRight', 'KeyS', 'ShiftRight'], ['AltRight', 'ShiftRight']],
      ['right Alt, Shift first', ['ShiftRight', 'AltRight', 'KeyS'], ['AltRight', 'ShiftRight']],
    ])('with Shift raises all windows: %s', async (_, down, up) => {
      const sitting = await seat.sit('a: a1 | b: b1 b2 b3 | c: c1');
      await seat.keyboard.down(...down);
      await seat.keyboard.up('KeyS', ...up);
      await expect.poll(() => sitting.front()).toBe('b1');
      expect((await sitting.stored()).stacking).toEqual(['c1', 'a1', 'b3', 'b2', 'b1']);
      expect((await sitting.screen()).switcher).toBe(false);
    });

    it.each([
      ['Shift up before', ['ShiftLeft', 'AltLeft', 'KeyS'], ['ShiftLeft', 'AltLeft']],
      ['Shift not at all', ['AltRight', 'KeyS'], ['AltRight']],
    ])('without Shift raises one: %s', async (_, down, up) => {
      const sitting = await seat.sit('a: a1 | b: b1 b2 b3 | c: c1');
      await seat.keyboard.down(...down);
      await seat.keyboard.up('KeyS', ...up);
      await expect.poll(() => sitting.front()).toBe('b1');
      expect((await sitting.stored()).stacking).toEqual(['c1', 'b3', 'b2', 'a1', 'b1']);
    });

    it('one of two Alts is not letting go yet', async () => {
      const sitting = await seat.sit('a: a1 | b: b1');
      await opened(sitting, 'b1');
      await seat.keyboard.down('AltRight').then(() => seat.keyboard.up('AltLeft'));
      await sitting.handled('keyup', 'AltLeft');
      expect((await sitting.screen()).legend).toMatch(/^Release Alt/);
      await seat.keyboard.up('AltRight');
      await expect.poll(() => sitting.front()).toBe('b1');
    });
  });

  it('a key held down stops at the end', async () => {
    const sitting = await seat.sit('a: a1 | b: b1 | c: c1 | d: d1 | e: e1');
    await seat.keyboard.down('AltLeft', 'KeyS');
    await sitting.switcherOn('e1');
    const repeats = async () => (await sitting.seen()).filter(({ code }) => code === 'KeyS').length;
    const before = await repeats();
    await expect.poll(repeats).toBeGreaterThan(before + 3);
    expect((await sitting.screen()).highlighted).toBe('e1');
    await seat.keyboard.up('KeyS', 'AltLeft');
    await expect.poll(() => sitting.front()).toBe('e1');
  });

  describe('while holding', () => {
    it.each([
      ['minimise', ['KeyZ'], (session) => windowOf(session, 'b1').minimised],
      [
        'minimise all',
        ['Shift+KeyZ'],
        ({ windows }) => windows.filter(({ minimised }) => minimised).length === 2,
      ],
      ['hide', ['KeyX'], (session) => applicationOf(session, 'b').hidden],
      [
        'solo',
        ['Shift+KeyX'],
        ({ applications }) => applications.map(({ hidden }) => hidden).join() === 'true,false,true',
      ],
      ['close', ['KeyC'], ({ windows }) => idsIn(windows).join(' ') === 'a1 b2 c1'],
      ['close all', ['Shift+KeyC'], ({ windows }) => idsIn(windows).join(' ') === 'a1 c1'],
      ['quit', ['KeyV'], (session) => !applicationOf(session, 'b').running],
      ['end now', ['Shift+KeyV'], (session) => !applicationOf(session, 'b').running],
      [
        'put back',
        ['KeyZ', 'KeyR'],
        (session) => !windowOf(session, 'b1').minimised && session.ended.length === 0,
      ],
      ['reopen', ['KeyC', 'Shift+KeyR'], ({ windows }) => idsIn(windows).length === 4],
    ] satisfies [string, string[], (session: Session) => unknown][])('%s', async (_, keys, done) => {
      const sitting = await seat.sit('a: a1 | b: b1 b2 | c: c1');
      await opened(sitting, 'b1');
      await seat.keyboard.tap(...keys);
      await sitting.handled('keyup', keys.at(-1)?.startsWith('Shift') ? 'ShiftLeft' : (keys.at(-1) ?? ''));
      expect(Boolean(done(await sitting.stored()))).toBe(true);
      expect((await sitting.screen()).switcher).toBe(true);
    });

    it('sweep, and again', async () => {
      const sitting = await seat.sit('a: a1 | b: b1');
      await chord('KeyG');
      await expect.poll(() => sitting.front()).toBeNull();
      await chord('KeyG');
      await expect.poll(() => sitting.front()).toBe('a1');
    });

    it('a glance, and typing goes on where it was', async () => {
      const sitting = await seat.sit('a: a1 | b: b1');
      await seat.keyboard.down('AltLeft', 'Space');
      await expect.poll(async () => (await sitting.screen()).status).toBe('Bare surface');
      await seat.keyboard.up('Space', 'AltLeft');
      await seat.keyboard.type('on we go');
      await expect.poll(async () => (await sitting.screen()).typing).toBe('a1on we go');
    });

    it('search, and its letters before Alt comes up', async () => {
      const sitting = await seat.sit('angler: chart wake | b: b1 | cove: reef');
      await chord('KeyQ', 'KeyR', 'KeyE', 'KeyE', 'KeyF');
      await sitting.switcherOn('reef');
      await expect.poll(() => sitting.screen()).toMatchObject({ search: 'reef', typing: 'reef' });
      await seat.keyboard.tap('Backspace', 'Backspace', 'Backspace', 'Backspace');
      await seat.keyboard.type('wake');
      await sitting.switcherOn('wake');
      await seat.keyboard.tap('Enter');
      await expect.poll(() => sitting.front()).toBe('wake');
    });
  });

  it('the hold key alone does nothing, as often as one likes, and what is typed then is text', async () => {
    const sitting = await seat.sit('a: a1 | b: b1');
    await seat.keyboard.tap('AltLeft', 'AltLeft', 'AltLeft');
    await seat.keyboard.type('fes');
    await expect.poll(async () => (await sitting.screen()).typing).toBe('a1fes');
    expect((await sitting.screen()).hasFocus).toBe(true);
  });

  describe('when the focus is lost while holding', () => {
    it('and Alt comes up elsewhere, nothing is chosen until Enter', async () => {
      const sitting = await seat.sit('a: a1 | b: b1');
      await opened(sitting, 'b1');
      const [browser, other] = await seat.elsewhere();
      await expect.poll(async () => (await sitting.screen()).legend).toMatch(/^Enter/);
      await seat.keyboard.up('AltLeft');
      await seat.display.manager.activate(browser);
      await expect.poll(async () => (await sitting.screen()).hasFocus).toBe(true);
      expect(await sitting.screen()).toMatchObject({
        switcher: true,
        legend: expect.stringMatching(/^Enter/),
      });
      expect(await sitting.front()).toBe('a1');
      await seat.keyboard.tap('Enter');
      await expect.poll(() => sitting.front()).toBe('b1');
      seat.display.connection.client.DestroyWindow(other);
    });

    it('and comes back with Alt still down, letting go chooses', async () => {
      const sitting = await seat.sit('a: a1 | b: b1');
      await opened(sitting, 'b1');
      const [browser, other] = await seat.elsewhere();
      await expect.poll(async () => (await sitting.screen()).hasFocus).toBe(false);
      await seat.display.manager.activate(browser);
      await expect.poll(async () => (await sitting.screen()).hasFocus).toBe(true);
      expect((await sitting.screen()).switcher).toBe(true);
      await seat.keyboard.up('AltLeft');
      await expect.poll(() => sitting.front()).toBe('b1');
      seat.display.connection.client.DestroyWindow(other);
    });
  });
});
