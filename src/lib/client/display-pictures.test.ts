import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { LOOK_AGAIN_MS, type LookedAt, type Picture } from '../core/display/pictures';
import { DisplayPictures } from './display-pictures.svelte';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

/** A page, what it asked for, and a display that answers when it is told to. */
function page() {
  const asked: (readonly LookedAt[])[] = [];
  const versions = new Map<string, string>();
  let seen = true;
  let answer: (() => void) | null = null;
  let slow = false;
  const pictures = new DisplayPictures(
    async (windows) => {
      asked.push(windows);
      if (slow) await new Promise<void>((resolve) => (answer = resolve));
      return windows.flatMap((one): Picture[] => {
        const version = versions.get(one.window);
        return version === undefined || version === one.seen
          ? []
          : [{ window: one.window, version, png: version }];
      });
    },
    () => seen,
  );
  return {
    pictures,
    asked,
    versions,
    hide: (hidden: boolean) => (seen = !hidden),
    beSlow: () => (slow = true),
    answer: () => answer?.(),
    pass: (ms: number) => vi.advanceTimersByTimeAsync(ms),
  };
}

it('all that come into sight together are asked for together, and again a little later', async () => {
  const { pictures, asked, versions, pass } = page();
  versions.set('a1', 'v1');
  pictures.look('a1', 150);
  pictures.look('b1', 150);
  await pass(0);
  expect(asked).toEqual([
    [
      { window: 'a1', width: 160, seen: null },
      { window: 'b1', width: 160, seen: null },
    ],
  ]);
  expect(pictures.of('a1')).toBe('data:image/png;base64,v1');
  expect(pictures.of('b1')).toBeNull();
  versions.set('a1', 'v2');
  await pass(LOOK_AGAIN_MS);
  expect(asked[1]?.[0]).toMatchObject({ window: 'a1', seen: 'v1' });
  expect(pictures.of('a1')).toBe('data:image/png;base64,v2');
});

it('nothing is asked once nobody looks; what was seen is there when somebody does again', async () => {
  const { pictures, asked, versions, pass } = page();
  versions.set('a1', 'v1');
  const leave = pictures.look('a1', 150);
  const other = pictures.look('a1', 150);
  await pass(0);
  leave();
  await pass(LOOK_AGAIN_MS);
  expect(asked).toHaveLength(2);
  other();
  await pass(10 * LOOK_AGAIN_MS);
  expect(asked).toHaveLength(2);
  pictures.look('a1', 150);
  expect(pictures.of('a1')).not.toBeNull();
  await pass(0);
  expect(asked).toHaveLength(3);
});

it('of several who look at one the widest counts', async () => {
  const { pictures, asked, pass } = page();
  pictures.look('a1', 100);
  const leave = pictures.look('a1', 300);
  await pass(0);
  leave();
  await pass(LOOK_AGAIN_MS);
  expect(asked.map(([one]) => one?.width)).toEqual([360, 160]);
});

it('a page that nobody sees asks for nothing', async () => {
  const { pictures, asked, pass, hide } = page();
  hide(true);
  pictures.look('a1', 100);
  await pass(10 * LOOK_AGAIN_MS);
  expect(asked).toEqual([]);
  hide(false);
  await pass(LOOK_AGAIN_MS);
  expect(asked).toHaveLength(1);
});

it('one question at a time, and what came into sight meanwhile at once after it', async () => {
  const { pictures, asked, pass, beSlow, answer } = page();
  beSlow();
  pictures.look('a1', 100);
  await pass(0);
  pictures.look('b1', 100);
  await pass(5 * LOOK_AGAIN_MS);
  expect(asked).toHaveLength(1);
  answer();
  await pass(0);
  expect(asked).toHaveLength(2);
  expect(asked[1]?.map(({ window }) => window)).toEqual(['a1', 'b1']);
});

it('a question that fails is asked again', async () => {
  let asked = 0;
  const pictures = new DisplayPictures(
    async () => {
      asked += 1;
      throw new Error('The server is away.');
    },
    () => true,
  );
  pictures.look('a1', 100);
  await vi.advanceTimersByTimeAsync(LOOK_AGAIN_MS);
  expect(asked).toBe(2);
});

it('what may not be pictured any more is forgotten', async () => {
  const { pictures, versions, pass } = page();
  versions.set('a1', 'v1').set('b1', 'v1');
  pictures.look('a1', 100);
  pictures.look('b1', 100);
  await pass(0);
  pictures.forget((window) => window === 'a1');
  expect(pictures.of('a1')).toBeNull();
  expect(pictures.of('b1')).not.toBeNull();
});
