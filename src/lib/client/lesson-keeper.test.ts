import { afterEach, expect, it, vi } from 'vitest';
import { LESSONS } from '../core/lessons/lessons';
import { keepProgress, keptProgress } from './lesson-keeper';
import { memoryStorage } from './page-storage';

afterEach(() => vi.unstubAllGlobals());

it('how far somebody is stays in the browser', () => {
  vi.stubGlobal('localStorage', memoryStorage());
  expect(keptProgress()).toBeNull();
  keepProgress({ at: 3, on: false });
  expect(keptProgress()).toEqual({ at: 3, on: false });
});

it.each([
  ['{', null],
  ['null', null],
  ['{"at":"x"}', null],
  ['{"at":-1,"on":true}', { at: 0, on: true }],
  ['{"at":999,"on":1}', { at: LESSONS.length, on: false }],
])('what else stands there, %s, is read as %j', (stored, progress) => {
  const storage = memoryStorage();
  vi.stubGlobal('localStorage', storage);
  storage.setItem('key-fold/first-minutes', stored);
  expect(keptProgress()).toEqual(progress);
});

it('a storage that is full keeps nothing, and nobody is stopped by that', () => {
  const full = {
    ...memoryStorage(),
    setItem: () => {
      throw new Error('full');
    },
  };
  vi.stubGlobal('localStorage', full);
  expect(() => keepProgress({ at: 1, on: true })).not.toThrow();
});
