import { describe, expect, it } from 'vitest';
import { sessionOf } from '../../../../testing/sessions';
import { PLAIN_KEY } from '../../../../testing/keys';
import { aroundOf } from '../../../../testing/person';
import type { KeyInput } from '../keys/key-input';
import type { Settings } from '../slices/settings/state';
import { readKey, type KeyMeaning, type Surroundings } from './read-key';

const settings: Settings = { holdKey: 'Alt', holding: true, theme: 'system' };
const closed: Surroundings = {
  switcher: 'closed',
  typed: false,
  caret: null,
  taken: false,
  searching: false,
  walking: false,
  placing: false,
  surveying: false,
  settings,
  ...aroundOf(sessionOf('a: a1')),
};
const holding: Surroundings = { ...closed, switcher: 'holding' };
const staying: Surroundings = { ...closed, switcher: 'staying' };

const key = (code: string, more: Partial<KeyInput> = {}): KeyInput => ({
  ...PLAIN_KEY,
  code,
  key: code.replace('Key', '').toLowerCase(),
  ...more,
});

const invokes = (
  action: string,
  moment: Partial<{ repeat: boolean; released: boolean }> = {},
): KeyMeaning => ({
  type: 'invoke',
  invocation: { action, argument: null },
  moment: { repeat: false, released: false, ...moment },
});

describe('keys while holding', () => {
  it('step by position, whatever is printed on the key', () => {
    const step = invokes('older-application');
    expect(readKey(key('KeyS', { alt: true }), closed)).toEqual(step);
    expect(readKey(key('KeyS', { alt: true, key: 'о' }), closed)).toEqual(step);
    expect(readKey(key('KeyS', { alt: true, key: 'Dead' }), closed)).toEqual(step);
    expect(readKey(key('Quote', { alt: true, key: 's' }), closed)).toBeNull();
  });

  it('say whether a step is a repeat, and swallow the repeat of an action', () => {
    expect(readKey(key('KeyF', { alt: true, repeat: true }), holding)).toEqual(
      invokes('next-window', { repeat: true }),
    );
    expect(readKey(key('KeyV', { alt: true, repeat: true }), holding)).toEqual({ type: 'swallow' });
  });

  it('step with Shift too, because Shift is for the release', () => {
    expect(readKey(key('KeyA', { alt: true, shift: true }), holding)).toEqual(invokes('newer-application'));
  });

  it('tell actions with Shift from those without', () => {
    expect(readKey(key('KeyV', { alt: true }), holding)).toEqual(invokes('quit'));
    expect(readKey(key('KeyV', { alt: true, shift: true }), holding)).toEqual(invokes('end-now'));
    expect(readKey(key('Quote', { alt: true, shift: true }), holding)).toEqual({ type: 'swallow' });
  });

  it('leave combinations that mean nothing to the browser while the switcher is closed', () => {
    expect(readKey(key('Quote', { alt: true }), closed)).toBeNull();
    expect(readKey(key('Quote', { alt: true }), holding)).toEqual({ type: 'swallow' });
  });

  it('commit at the release, with Shift if it is down', () => {
    const up = key('AltLeft', { phase: 'up', key: 'Alt', modifier: 'Alt' });
    expect(readKey(up, holding)).toEqual({ type: 'hold-up', shift: false });
    expect(readKey({ ...up, shift: true }, holding)).toEqual({ type: 'hold-up', shift: true });
  });

  it('do not commit while another hold key is still down', () => {
    const one = key('AltLeft', { phase: 'up', key: 'Alt', modifier: 'Alt', alt: true });
    expect(readKey(one, holding)).toEqual({ type: 'swallow' });
  });
});

describe('traps', () => {
  it('AltGraph types characters and is never the hold key', () => {
    expect(readKey(key('AltRight', { key: 'AltGraph' }), closed)).toBeNull();
    expect(readKey(key('KeyS', { alt: true, altGraph: true }), closed)).toBeNull();
    expect(readKey(key('KeyS', { alt: true, control: true }), closed)).toBeNull();
  });

  it('nothing is a shortcut during composition', () => {
    expect(readKey(key('KeyS', { alt: true, composing: true }), closed)).toBeNull();
    expect(readKey(key('KeyS', { alt: true, key: 'Process' }), closed)).toBeNull();
  });

  it('but the hold key that comes up during composition has come up', () => {
    const up = key('AltLeft', { phase: 'up', key: 'Alt', modifier: 'Alt', composing: true });
    expect(readKey(up, holding)).toEqual({ type: 'hold-up', shift: false });
    expect(readKey({ ...up, phase: 'down', alt: true }, closed)).toBeNull();
  });

  it('the space bar coming up ends a glance that it began, and is the page’s otherwise', () => {
    const up = key('Space', { phase: 'up', key: ' ' });
    expect(readKey(up, { ...closed, taken: true })).toEqual(invokes('glance', { released: true }));
    expect(readKey(up, closed)).toBeNull();
  });

  it('a key that was taken and is still down types nothing when the hold key is gone', () => {
    const still = key('KeyS', { repeat: true });
    expect(readKey(still, { ...closed, taken: true })).toEqual({ type: 'swallow' });
    expect(readKey(still, closed)).toBeNull();
    expect(readKey(key('KeyS'), { ...closed, taken: true })).toBeNull();
  });

  it('a key that was down before the hold key opens nothing', () => {
    expect(readKey(key('KeyS', { alt: true, repeat: true }), closed)).toEqual({ type: 'swallow' });
  });

  it('letters alone are text', () => {
    expect(readKey(key('KeyS'), closed)).toBeNull();
    expect(readKey(key('KeyS'), staying)).toBeNull();
  });
});

describe('after search was pressed, until the hold key comes up', () => {
  const searching: Surroundings = { ...staying, searching: true };

  it.each(['KeyC', 'KeyV', 'KeyX', 'KeyZ', 'KeyR', 'KeyG', 'KeyS', 'KeyA', 'KeyF', 'KeyQ', 'KeyT'])(
    '%s is a letter of the search, with Shift too',
    (code) => {
      const letter = code.replace('Key', '');
      expect(readKey(key(code, { alt: true }), searching)).toEqual({
        type: 'text',
        text: letter.toLowerCase(),
      });
      expect(readKey(key(code, { alt: true, shift: true, key: letter }), searching)).toEqual({
        type: 'text',
        text: letter,
      });
    },
  );

  it('the space bar is a space, Backspace takes back, and what is no letter does nothing', () => {
    expect(readKey(key('Space', { alt: true, key: ' ' }), searching)).toEqual({ type: 'text', text: ' ' });
    expect(readKey(key('Backspace', { alt: true, key: 'Backspace' }), searching)).toEqual({
      type: 'erase',
    });
    expect(readKey(key('KeyE', { alt: true, key: 'Dead' }), searching)).toEqual({ type: 'swallow' });
    expect(readKey(key('F4', { alt: true, key: 'F4' }), searching)).toEqual({ type: 'swallow' });
  });

  it('the keys of a list still move and choose', () => {
    const down = key('ArrowDown', { alt: true, key: 'ArrowDown' });
    expect(readKey(down, searching)).toEqual(invokes('older-application'));
    expect(readKey(key('Enter', { alt: true, key: 'Enter' }), searching)).toEqual(invokes('commit'));
    expect(readKey(key('Escape', { alt: true, key: 'Escape' }), searching)).toEqual(invokes('cancel'));
  });
});

describe('the hold key is a setting', () => {
  it('Meta', () => {
    const around: Surroundings = { ...closed, settings: { ...settings, holdKey: 'Meta' } };
    expect(readKey(key('KeyS', { meta: true }), around)).toEqual(invokes('older-application'));
    expect(readKey(key('KeyS', { alt: true }), around)).toBeNull();
    expect(readKey(key('MetaLeft', { phase: 'up', key: 'Meta', modifier: 'Meta' }), around)).toMatchObject({
      type: 'hold-up',
    });
  });

  it('a stored Control is Alt: copy, paste and close stay the browser’s', () => {
    const around: Surroundings = { ...closed, settings: { ...settings, holdKey: 'Control' } };
    for (const code of ['KeyC', 'KeyV', 'KeyA', 'KeyS', 'KeyX', 'KeyZ'])
      expect(readKey(key(code, { control: true }), around)).toBeNull();
    expect(readKey(key('KeyS', { alt: true }), around)).toEqual(invokes('older-application'));
  });
});

describe('keys of a switcher that stays', () => {
  it.each([
    ['ArrowDown', 'older-application'],
    ['ArrowUp', 'newer-application'],
    ['ArrowRight', 'next-window'],
    ['ArrowLeft', 'previous-window'],
    ['Tab', 'older-application'],
    ['PageDown', 'rows-down'],
    ['End', 'last-row'],
    ['Enter', 'commit'],
    ['Escape', 'cancel'],
  ])('%s', (name, action) => {
    expect(readKey(key(name, { key: name }), staying)).toEqual(invokes(action));
    expect(readKey(key(name, { key: name }), closed)).toBeNull();
  });

  it('are the browser’s with another modifier', () => {
    for (const modifier of ['control', 'meta', 'altGraph'])
      expect(readKey(key('ArrowDown', { key: 'ArrowDown', [modifier]: true }), staying)).toBeNull();
    expect(readKey(key('F1', { key: 'F1' }), closed)).toEqual(invokes('keys'));
  });

  it('leave the caret its keys once something is typed', () => {
    const typed = { ...staying, typed: true };
    expect(readKey(key('ArrowLeft', { key: 'ArrowLeft' }), typed)).toBeNull();
    expect(readKey(key('Home', { key: 'Home' }), typed)).toBeNull();
    expect(readKey(key('ArrowDown', { key: 'ArrowDown' }), typed)).toEqual(invokes('older-application'));
  });
});
