/** The blocks of keys: for either hand, and for a window of its own (need N10). */
import { describe, expect, it } from 'vitest';
import { REGISTRY, Person } from '../../../../testing/person';
import { sessionOf } from '../../../../testing/sessions';
import { seatOf, WRITING_KEYS } from '../keys/writing-keys';
import { BLOCKS, type Block } from '../slices/settings/state';
import { mirroredCode } from './blocks';
import { keyMapOf } from './views/key-map';

/** W3C, "UI Events KeyboardEvent code Values", sections 3.1.1 to 3.4 as far as keyboards of today have them; from memory. */
const CODES = new Set([
  ...'Backquote Backslash BracketLeft BracketRight Comma Equal IntlBackslash IntlRo IntlYen Minus Period Quote'.split(
    ' ',
  ),
  ...'Semicolon Slash Space Tab Enter Escape Backspace CapsLock ContextMenu'.split(' '),
  ...Array.from({ length: 10 }, (_, n) => `Digit${n}`),
  ...Array.from('ABCDEFGHIJKLMNOPQRSTUVWXYZ', (letter) => `Key${letter}`),
  ...Array.from({ length: 24 }, (_, n) => `F${n + 1}`),
  ...'Delete End Help Home Insert PageDown PageUp ArrowDown ArrowLeft ArrowRight ArrowUp'.split(' '),
]);

const withBlock = (block: Block) => {
  const session = sessionOf('a: a1 | b: b1');
  return { ...session, settings: { ...session.settings, block } };
};
const keysOf = (block: Block) => keyMapOf(REGISTRY, withBlock(block));

describe.each(BLOCKS)('the block %s', (block) => {
  it('has no key twice, and only positions that the standard names', () => {
    expect(keysOf(block).conflicts).toEqual([]);
    for (const { at } of keysOf(block).bindings)
      if ('code' in at) expect(CODES.has(at.code), at.code).toBe(true);
  });

  it('has a key for everything that the block for the left hand has one for', () => {
    const actions = (keys: ReturnType<typeof keysOf>) =>
      keys.bindings.map(({ invocation }) => `${invocation.action} ${invocation.argument}`);
    expect(new Set(actions(keysOf(block)))).toEqual(new Set(actions(keysOf('left'))));
  });
});

describe('mirrored', () => {
  it('is the same finger of the other hand, there and back; digits stay', () => {
    expect(['KeyA', 'KeyS', 'KeyD', 'KeyF', 'KeyG', 'KeyZ', 'KeyV', 'KeyQ'].map(mirroredCode)).toEqual([
      'Semicolon',
      'KeyL',
      'KeyK',
      'KeyJ',
      'KeyH',
      'Slash',
      'KeyM',
      'KeyP',
    ]);
    for (const code of WRITING_KEYS.filter(
      (one) => seatOf(mirroredCode(one)) !== null && mirroredCode(one) !== one,
    ))
      expect(mirroredCode(mirroredCode(code))).toBe(code);
    expect(['Digit1', 'Digit0', 'Space', 'F6'].map(mirroredCode)).toEqual([
      'Digit1',
      'Digit0',
      'Space',
      'F6',
    ]);
  });

  it('works at the desk', () => {
    const person = new Person(withBlock('right')).hold().tap('KeyL').letGo();
    expect(person.session.front).toBe('b1');
    person.hold().tap('KeyS').letGo();
    expect(person.session.front).toBe('b1');
    expect(person.hold().tap('Digit1').letGo().session.front).toBe('a1');
  });
});

describe('for a window of its own', () => {
  it('closes with Control and W, which a tab does not let through', () => {
    const person = new Person(withBlock('window')).tap('KeyW', { key: 'w', alt: false, control: true });
    expect(person.session.windows.map(({ id }) => id)).toEqual(['b1']);
    const left = new Person(withBlock('left')).tap('KeyW', { key: 'w', alt: false, control: true });
    expect(left.session.windows).toHaveLength(2);
  });
});
