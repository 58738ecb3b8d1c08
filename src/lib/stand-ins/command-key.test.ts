import { expect, it } from 'vitest';
import { isCommandKey } from './command-key';

const pressed = (key: string, code: string, more = {}) =>
  isCommandKey({ key, code, ctrlKey: true, metaKey: false, altKey: false, ...more }, 's');

it('is where the letter is written, and in its usual place where no layout of letters has one', () => {
  expect(pressed('s', 'KeyS')).toBe(true);
  expect(pressed('S', 'KeyS')).toBe(true);
  expect(pressed('s', 'KeyS', { ctrlKey: false, metaKey: true })).toBe(true);
  // Dvorak: what has the place of S writes an o, which opens a file.
  expect(pressed('o', 'KeyS')).toBe(false);
  expect(pressed('s', 'Semicolon')).toBe(true);
  expect(pressed('ы', 'KeyS')).toBe(true);
  expect(pressed('ф', 'KeyA')).toBe(false);
});

it('is none without Control or Meta, nor with Alt', () => {
  expect(pressed('s', 'KeyS', { ctrlKey: false })).toBe(false);
  expect(pressed('s', 'KeyS', { altKey: true })).toBe(false);
});
