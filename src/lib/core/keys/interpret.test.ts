import { describe, expect, it } from 'vitest';
import { PLAIN_KEY } from '../../../../tests/plain-key';
import type { Settings } from '../slices/settings/state';
import { interpret, type Surroundings } from './interpret';
import type { KeyInput } from './key-input';
import { ACTIONS, heldKeyAt, KEY_MAP } from './key-map';

const settings: Settings = { holdKey: 'Alt', holding: true, theme: 'system' };
const closed: Surroundings = { switcher: 'closed', typed: false, taken: false, searching: false, settings };
const holding: Surroundings = { ...closed, switcher: 'holding' };
const staying: Surroundings = { ...closed, switcher: 'staying' };

const key = (code: string, more: Partial<KeyInput> = {}): KeyInput => ({
  ...PLAIN_KEY,
  code,
  key: code.replace('Key', '').toLowerCase(),
  ...more,
});

describe('keys while holding', () => {
  it('step by position, whatever is printed on the key', () => {
    const step = { type: 'step', step: 'older-application', repeat: false };
    expect(interpret(key('KeyS', { alt: true }), closed)).toEqual(step);
    expect(interpret(key('KeyS', { alt: true, key: 'о' }), closed)).toEqual(step);
    expect(interpret(key('KeyS', { alt: true, key: 'Dead' }), closed)).toEqual(step);
    expect(interpret(key('KeyO', { alt: true, key: 's' }), closed)).toBeNull();
  });

  it('say whether a step is a repeat, and swallow the repeat of an action', () => {
    expect(interpret(key('KeyF', { alt: true, repeat: true }), holding)).toMatchObject({ repeat: true });
    expect(interpret(key('KeyV', { alt: true, repeat: true }), holding)).toEqual({ type: 'swallow' });
  });

  it('step with Shift too, because Shift is for the release', () => {
    expect(interpret(key('KeyA', { alt: true, shift: true }), holding)).toMatchObject({
      step: 'newer-application',
    });
  });

  it('tell actions with Shift from those without', () => {
    expect(interpret(key('KeyV', { alt: true }), holding)).toEqual({ type: 'act', action: 'quit' });
    expect(interpret(key('KeyV', { alt: true, shift: true }), holding)).toEqual({
      type: 'act',
      action: 'end-now',
    });
    expect(interpret(key('KeyG', { alt: true, shift: true }), holding)).toEqual({ type: 'swallow' });
  });

  it('leave combinations that mean nothing to the browser while the switcher is closed', () => {
    expect(interpret(key('KeyP', { alt: true }), closed)).toBeNull();
    expect(interpret(key('KeyP', { alt: true }), holding)).toEqual({ type: 'swallow' });
  });

  it('commit at the release, with Shift if it is down', () => {
    const up = key('AltLeft', { phase: 'up', key: 'Alt', modifier: 'Alt' });
    expect(interpret(up, holding)).toEqual({ type: 'hold-up', shift: false });
    expect(interpret({ ...up, shift: true }, holding)).toEqual({ type: 'hold-up', shift: true });
  });

  it('do not commit while another hold key is still down', () => {
    const one = key('AltLeft', { phase: 'up', key: 'Alt', modifier: 'Alt', alt: true });
    expect(interpret(one, holding)).toEqual({ type: 'swallow' });
  });
});

describe('traps', () => {
  it('AltGraph types characters and is never the hold key', () => {
    expect(interpret(key('AltRight', { key: 'AltGraph' }), closed)).toBeNull();
    expect(interpret(key('KeyS', { alt: true, altGraph: true }), closed)).toBeNull();
    expect(interpret(key('KeyS', { alt: true, control: true }), closed)).toBeNull();
  });

  it('nothing is a shortcut during composition', () => {
    expect(interpret(key('KeyS', { alt: true, composing: true }), closed)).toBeNull();
    expect(interpret(key('KeyS', { alt: true, key: 'Process' }), closed)).toBeNull();
  });

  it('but the hold key that comes up during composition has come up', () => {
    const up = key('AltLeft', { phase: 'up', key: 'Alt', modifier: 'Alt', composing: true });
    expect(interpret(up, holding)).toEqual({ type: 'hold-up', shift: false });
    expect(interpret({ ...up, phase: 'down', alt: true }, closed)).toBeNull();
  });

  it('the space bar coming up ends a glance that it began, and is the page’s otherwise', () => {
    const up = key('Space', { phase: 'up', key: ' ' });
    expect(interpret(up, { ...closed, taken: true })).toEqual({ type: 'glance', on: false });
    expect(interpret(up, closed)).toBeNull();
  });

  it('a key that was taken and is still down types nothing when the hold key is gone', () => {
    const still = key('KeyS', { repeat: true });
    expect(interpret(still, { ...closed, taken: true })).toEqual({ type: 'swallow' });
    expect(interpret(still, closed)).toBeNull();
    expect(interpret(key('KeyS'), { ...closed, taken: true })).toBeNull();
  });

  it('a key that was down before the hold key opens nothing', () => {
    expect(interpret(key('KeyS', { alt: true, repeat: true }), closed)).toEqual({ type: 'swallow' });
  });

  it('letters alone are text', () => {
    expect(interpret(key('KeyS'), closed)).toBeNull();
    expect(interpret(key('KeyS'), staying)).toBeNull();
  });
});

describe('after search was pressed, until the hold key comes up', () => {
  const searching: Surroundings = { ...staying, searching: true };

  it.each(['KeyC', 'KeyV', 'KeyX', 'KeyZ', 'KeyR', 'KeyG', 'KeyS', 'KeyA', 'KeyF', 'KeyQ', 'KeyT'])(
    '%s is a letter of the search, with Shift too',
    (code) => {
      const letter = code.replace('Key', '');
      expect(interpret(key(code, { alt: true }), searching)).toEqual({
        type: 'text',
        text: letter.toLowerCase(),
      });
      expect(interpret(key(code, { alt: true, shift: true, key: letter }), searching)).toEqual({
        type: 'text',
        text: letter,
      });
    },
  );

  it('the space bar is a space, Backspace takes back, and what is no letter does nothing', () => {
    expect(interpret(key('Space', { alt: true, key: ' ' }), searching)).toEqual({ type: 'text', text: ' ' });
    expect(interpret(key('Backspace', { alt: true, key: 'Backspace' }), searching)).toEqual({
      type: 'erase',
    });
    expect(interpret(key('KeyE', { alt: true, key: 'Dead' }), searching)).toEqual({ type: 'swallow' });
    expect(interpret(key('F4', { alt: true, key: 'F4' }), searching)).toEqual({ type: 'swallow' });
  });

  it('the keys of a list still move and choose', () => {
    const down = key('ArrowDown', { alt: true, key: 'ArrowDown' });
    expect(interpret(down, searching)).toMatchObject({ type: 'step', step: 'older-application' });
    expect(interpret(key('Enter', { alt: true, key: 'Enter' }), searching)).toMatchObject({ type: 'commit' });
    expect(interpret(key('Escape', { alt: true, key: 'Escape' }), searching)).toEqual({ type: 'cancel' });
  });
});

describe('the hold key is a setting', () => {
  it('Meta', () => {
    const around: Surroundings = { ...closed, settings: { ...settings, holdKey: 'Meta' } };
    expect(interpret(key('KeyS', { meta: true }), around)).toMatchObject({ type: 'step' });
    expect(interpret(key('KeyS', { alt: true }), around)).toBeNull();
    expect(interpret(key('MetaLeft', { phase: 'up', key: 'Meta', modifier: 'Meta' }), around)).toMatchObject({
      type: 'hold-up',
    });
  });

  it('a stored Control is Alt: copy, paste and close stay the browser’s', () => {
    const around: Surroundings = { ...closed, settings: { ...settings, holdKey: 'Control' } };
    for (const code of ['KeyC', 'KeyV', 'KeyA', 'KeyS', 'KeyX', 'KeyZ'])
      expect(interpret(key(code, { control: true }), around)).toBeNull();
    expect(interpret(key('KeyS', { alt: true }), around)).toMatchObject({ type: 'step' });
  });
});

describe('keys of a switcher that stays', () => {
  it.each([
    ['ArrowDown', { type: 'step', step: 'older-application', repeat: false }],
    ['ArrowUp', { type: 'step', step: 'newer-application', repeat: false }],
    ['ArrowRight', { type: 'step', step: 'next-window', repeat: false }],
    ['ArrowLeft', { type: 'step', step: 'previous-window', repeat: false }],
    ['Tab', { type: 'step', step: 'older-application', repeat: false }],
    ['PageDown', { type: 'jump', rows: 5 }],
    ['End', { type: 'jump', rows: Infinity }],
    ['Enter', { type: 'commit', raiseAll: false }],
    ['Escape', { type: 'cancel' }],
  ])('%s', (name, intent) => {
    expect(interpret(key(name, { key: name }), staying)).toEqual(intent);
    expect(interpret(key(name, { key: name }), closed)).toBeNull();
  });

  it('leave the caret its keys once something is typed', () => {
    const typed = { ...staying, typed: true };
    expect(interpret(key('ArrowLeft', { key: 'ArrowLeft' }), typed)).toBeNull();
    expect(interpret(key('Home', { key: 'Home' }), typed)).toBeNull();
    expect(interpret(key('ArrowDown', { key: 'ArrowDown' }), typed)).toMatchObject({ type: 'step' });
  });
});

describe('the key map', () => {
  it('has a position of its own for every function', () => {
    for (const [name, position] of Object.entries(KEY_MAP)) expect(heldKeyAt(position)).toBe(name);
    for (const action of ACTIONS) expect(KEY_MAP[action]).toBeDefined();
  });
});
