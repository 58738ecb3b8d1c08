import { describe, expect, it } from 'vitest';
import { easelFor, worked } from './easel';
import { EASEL_KEYS, meaningOf, TOOL_KEYS } from './easel-keys';
import { fitting, SCALES, scaleBeside } from './zoom';

const bare = easelFor({ width: 640, height: 400 }, 2);
const drafting = worked(bare, { type: 'take-up', tool: 'box', middle: { x: 9, y: 9 } });
const choosing = worked(worked(drafting, { type: 'place' }), { type: 'choose' });
const press = (code: string, more: { key?: string; shift?: boolean; control?: boolean } = {}) => ({
  code,
  key: code,
  shift: false,
  control: false,
  ...more,
});

describe('a key', () => {
  it('has one meaning', () => {
    const codes = [...Object.values(TOOL_KEYS), ...Object.values(EASEL_KEYS)];
    expect(new Set(codes).size).toBe(codes.length);
    for (const code of codes) expect(meaningOf(press(code), bare), code).not.toBeNull();
  });

  it('moves and sizes what is being made or chosen, finely with Control, and is else the page’s', () => {
    const right = press('ArrowRight');
    expect(meaningOf(right, bare)).toBeNull();
    expect(meaningOf(right, drafting)).toEqual({ type: 'move', by: { x: 48, y: 0 } });
    expect(meaningOf({ ...right, shift: true }, choosing)).toEqual({ type: 'stretch', by: { x: 48, y: 0 } });
    expect(meaningOf({ ...right, control: true }, choosing)).toEqual({ type: 'move', by: { x: 1, y: 0 } });
  });

  it('Enter and Escape end what is nearest', () => {
    const means = (key: string) => [drafting, choosing, bare].map((easel) => meaningOf(press(key), easel));
    expect(means('Enter')).toEqual([{ type: 'place' }, { type: 'give-up' }, { type: 'deed', deed: 'keep' }]);
    expect(means('Escape')).toEqual([
      { type: 'give-up' },
      { type: 'give-up' },
      { type: 'deed', deed: 'drop' },
    ]);
  });

  it('removes only what is chosen', () => {
    expect([bare, drafting, choosing].map((easel) => meaningOf(press('Delete'), easel)?.type)).toEqual([
      undefined,
      undefined,
      'remove',
    ]);
  });

  it('undoes and does again as in other programs too, and is the browser’s where it is none of these', () => {
    const control = (code: string, shift = false) => meaningOf(press(code, { control: true, shift }), bare);
    expect([control('KeyZ'), control('KeyZ', true), control('KeyY')]).toEqual([
      { type: 'undo' },
      { type: 'redo' },
      { type: 'redo' },
    ]);
    expect([control('KeyS'), control('KeyC')]).toEqual([
      { type: 'deed', deed: 'keep' },
      { type: 'deed', deed: 'copy' },
    ]);
    expect([control('KeyR'), control('KeyL'), meaningOf(press('KeyQ'), bare)]).toEqual([null, null, null]);
  });

  it('with Control is where the layout has its letter', () => {
    const control = (code: string, key: string) =>
      meaningOf({ code, key, shift: false, control: true }, bare);
    // DIN 2137: Z and Y have changed places. On a Cyrillic layout the key counts.
    expect([control('KeyY', 'z'), control('KeyZ', 'y'), control('KeyZ', 'я')]).toEqual([
      { type: 'undo' },
      { type: 'redo' },
      { type: 'undo' },
    ]);
  });

  it('a digit is a colour, as long as there are some', () => {
    expect(meaningOf(press('Digit2'), bare)).toEqual({ type: 'ink', ink: 'tide' });
    expect(meaningOf(press('Digit9'), bare)).toBeNull();
  });
});

it('a picture fits into its room, and is never larger than it is for that', () => {
  expect(fitting({ width: 200, height: 100 }, { width: 100, height: 100 })).toBe(0.5);
  expect(fitting({ width: 20, height: 10 }, { width: 100, height: 100 })).toBe(1);
});

it('goes through all scales up and down, and stays at the last', () => {
  const through = (from: number, direction: 1 | -1) =>
    SCALES.reduce<number[]>((seen) => [...seen, scaleBeside(seen.at(-1) ?? 0, direction)], [from]);
  expect(new Set(through(0.25, 1))).toEqual(new Set(SCALES));
  expect(new Set(through(8, -1))).toEqual(new Set(SCALES));
});
