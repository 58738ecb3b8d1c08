/** Keys as two browsers told them when the same real keys were pressed (Firefox 153, Chromium 156, on X11). */
import { describe, expect, it } from 'vitest';
import type { Settings } from '../slices/settings/state';
import { arrived } from '../../../../testing/keys';
import { aroundOf } from '../../../../testing/person';
import { sessionOf } from '../../../../testing/sessions';
import { readKey, type Surroundings } from '../desk/read-key';
import { isHeld } from './key-input';
import { isUntoldDown, NONE_DOWN, readModifiers } from './modifiers';

const AROUND = aroundOf(sessionOf('a: a1'));

/** What the keys asked for, while a switcher that was opened by holding is open. */
function asked(keys: string, holdKey: Settings['holdKey'] = 'Alt') {
  let down = NONE_DOWN;
  const around: Surroundings = {
    switcher: 'holding',
    typed: false,
    caret: null,
    taken: false,
    searching: false,
    walking: false,
    placing: false,
    surveying: false,
    settings: { holdKey, holding: true, theme: 'system' },
    ...AROUND,
  };
  const said = keys.split(' | ').flatMap((line) => {
    const read = readModifiers(down, arrived(line));
    down = read.down;
    const meaning = readKey(read.input, around);
    if (meaning?.type === 'invoke') return [meaning.invocation.action];
    if (meaning?.type === 'hold-up') return [meaning.shift ? 'let go with Shift' : 'let go'];
    return [];
  });
  return { said, down };
}

const STEP = 'older-application';

describe('letting go', () => {
  it.each([
    [
      'Chromium, Alt first',
      '+Alt AltLeft alt | +Shift ShiftLeft alt shift | +S KeyS alt shift | -S KeyS alt shift | -Meta AltLeft shift | -Shift ShiftLeft',
    ],
    [
      'Chromium, Shift first',
      '+Shift ShiftLeft shift | +Meta AltLeft alt shift | +S KeyS alt shift | -S KeyS alt shift | -Meta AltLeft shift | -Shift ShiftLeft',
    ],
    [
      'Chromium, right Alt',
      '+Alt AltRight alt | +Shift ShiftLeft alt shift | +S KeyS alt shift | -S KeyS alt shift | -Meta AltRight shift | -Shift ShiftLeft',
    ],
    [
      'Chromium, Alt in Meta’s place',
      '+Alt MetaLeft alt | +Shift ShiftLeft alt shift | +S KeyS alt shift | -S KeyS alt shift | -Meta MetaLeft shift | -Shift ShiftLeft',
    ],
    [
      'Firefox',
      '+Alt AltLeft | +Shift ShiftLeft alt shift | +S KeyS alt shift | -S KeyS alt shift | -Alt AltLeft shift | -Shift ShiftLeft',
    ],
  ])('with Shift down is letting go with Shift: %s', (_, keys) => {
    expect(asked(keys)).toEqual({ said: [STEP, 'let go with Shift'], down: NONE_DOWN });
  });

  it('after Shift came up is letting go without it', () => {
    const keys =
      '+Shift ShiftLeft shift | +Meta AltLeft alt shift | +S KeyS alt shift | -Shift ShiftLeft alt | -Alt AltLeft';
    expect(asked(keys).said).toEqual([STEP, 'let go']);
  });

  it.each([
    [
      'Chromium',
      '+Alt AltLeft alt | +s KeyS alt | -s KeyS alt | +Alt AltRight alt | -Alt AltLeft | +s KeyS alt | -Alt AltRight',
    ],
    [
      'Firefox',
      '+Alt AltLeft | +s KeyS alt | -s KeyS alt | +Alt AltRight alt | -Alt AltLeft alt | +s KeyS alt | -Alt AltRight',
    ],
  ])('of one of two Alts is not letting go: %s', (_, keys) => {
    expect(asked(keys).said).toEqual([STEP, STEP, 'let go']);
  });

  it('of Meta, which both browsers still call down', () => {
    expect(asked('+Meta MetaLeft | +s KeyS meta | -s KeyS meta | -Meta MetaLeft meta', 'Meta').said).toEqual([
      STEP,
      'let go',
    ]);
    const swapped = '+Meta AltLeft | +s KeyS meta | -s KeyS meta | -Meta AltLeft meta';
    expect(asked(swapped, 'Meta').said).toEqual([STEP, 'let go']);
    expect(asked(swapped).said).toEqual([]);
  });

  it('of Alt with Shift is not letting go of Meta', () => {
    expect(asked('+Meta AltLeft alt shift | -Meta AltLeft shift', 'Meta').said).toEqual([]);
    expect(asked('-Meta AltLeft shift', 'Meta').said).toEqual([]);
    // Its keydown was not seen: the page got the focus with it down.
    expect(asked('-Meta AltLeft shift').said).toEqual(['let go with Shift']);
  });

  it('never of AltGraph', () => {
    const keys = '+AltGraph AltRight | +@ KeyQ altgr | -@ KeyQ altgr | -AltGraph AltRight altgr';
    expect(asked(keys)).toEqual({ said: [], down: NONE_DOWN });
  });
});

describe('where Alt with Shift goes on to the next layout', () => {
  it.each([
    [
      'Shift last',
      '+Alt AltLeft alt | +GroupNext ShiftLeft alt | +ч KeyX alt | -ч KeyX alt | -GroupNext ShiftLeft alt | -Alt AltLeft',
      'let go',
    ],
    [
      'Shift last, Alt up first',
      '+Alt AltLeft alt | +GroupNext ShiftLeft alt | +x KeyX alt | -x KeyX alt | -Alt AltLeft | -Shift ShiftLeft',
      'let go with Shift',
    ],
    [
      'Shift first',
      '+Shift ShiftLeft shift | +GroupNext AltLeft shift | +Ч KeyX shift | -Ч KeyX shift | -GroupNext AltLeft shift | -Shift ShiftLeft',
      'let go with Shift',
    ],
    [
      'Shift first and up first',
      '+Shift ShiftLeft shift | +GroupNext AltLeft shift | +X KeyX shift | -X KeyX shift | -Shift ShiftLeft | -Alt AltLeft',
      'let go',
    ],
  ])('the other one is meant by its position: %s', (_, keys, end) => {
    expect(asked(keys)).toEqual({ said: ['solo', end], down: NONE_DOWN });
  });

  it('it counts while it is down, whatever the events’ state says, and no longer', () => {
    let read = readModifiers(NONE_DOWN, arrived('+GroupNext AltLeft'));
    expect(isUntoldDown(read.down, 'Alt')).toBe(true);
    read = readModifiers(read.down, arrived('+ч KeyX'));
    expect(isHeld(read.input, 'Alt')).toBe(true);
    read = readModifiers(read.down, arrived('-Alt AltLeft'));
    expect(isUntoldDown(read.down, 'Alt')).toBe(false);
    expect(isHeld(readModifiers(read.down, arrived('+x KeyX')).input, 'Alt')).toBe(false);
  });
});

it('a modifier whose keyup was not seen is up as soon as a key says so', () => {
  const keys =
    '+Alt AltLeft alt | +Alt AltRight alt | -Alt AltLeft alt | +x KeyX | +Alt AltLeft alt | +s KeyS alt | -Alt AltLeft';
  expect(asked(keys).said).toEqual([STEP, 'let go']);
});
