/** Which window of a display is which window of a browser, and messages in pieces. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Frames } from '../src/agent/browser/frames';
import { matched, type BrowserWindow, type DisplayWindow } from '../src/agent/browser/matching';
import { runs } from '../testing/runs';

const box = (x: number, y = 0) => ({ x, y, width: 800, height: 600 });
const ofBrowser = (id: number, title: string, x = 0, focused = false): BrowserWindow => ({
  id,
  title,
  box: box(x),
  focused,
});
const ofDisplay = (xid: number, title: string, x = 0, active = false): DisplayWindow => ({
  xid,
  title: `${title} - Browser`,
  geometry: box(x),
  active,
});
const match = (windows: BrowserWindow[], shown: DisplayWindow[], known: [number, number][] = []) => [
  ...matched(windows, shown, new Map(known)),
];

describe('windows of a browser', () => {
  it('are found by what they show and where they are', () => {
    expect(
      match(
        [ofBrowser(1, 'Tides', 10), ofBrowser(2, 'Tides', 50), ofBrowser(3, 'Berths')],
        [ofDisplay(70, 'Berths'), ofDisplay(71, 'Tides', 50), ofDisplay(72, 'Tides', 10)],
      ).toSorted(),
    ).toEqual([
      [1, 72],
      [2, 71],
      [3, 70],
    ]);
  });

  it('are not guessed: two that are alike in everything wait until they differ', () => {
    const alike = [ofBrowser(1, 'Tides'), ofBrowser(2, 'Tides')];
    expect(match(alike, [ofDisplay(70, 'Tides'), ofDisplay(71, 'Tides')])).toEqual([]);
    expect(
      match(
        [ofBrowser(1, 'Tides'), ofBrowser(2, 'Tides', 0, true)],
        [ofDisplay(70, 'Tides', 0, true), ofDisplay(71, 'Tides')],
      ).toSorted(),
    ).toEqual([
      [1, 71],
      [2, 70],
    ]);
  });

  it('stay who they are, whatever they show later', () => {
    expect(
      match(
        [ofBrowser(1, 'Berths'), ofBrowser(2, 'Tides')],
        [ofDisplay(70, 'Tides'), ofDisplay(71, 'Berths')],
        [
          [1, 70],
          [2, 71],
        ],
      ),
    ).toEqual([
      [1, 70],
      [2, 71],
    ]);
  });

  it('a private one is nobody’s, also where the last one left is another', () => {
    const shown = [ofDisplay(70, 'Tides'), ofDisplay(71, 'Something private')];
    expect(match([ofBrowser(1, 'Tides')], shown)).toEqual([[1, 70]]);
    expect(match([ofBrowser(1, 'Berths')], shown)).toEqual([]);
  });

  it('one whose title has not arrived yet is the only one that is left', () => {
    expect(match([ofBrowser(1, 'Tides')], [ofDisplay(70, 'New tab')])).toEqual([[1, 70]]);
    expect(match([ofBrowser(1, 'Tides')], [])).toEqual([]);
  });
});

it('messages are whole, in whatever pieces they come', () => {
  fc.assert(
    fc.property(
      fc.array(fc.string({ unit: 'grapheme' }).filter((text) => !text.includes('\0'))),
      fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1 }),
      (messages, sizes) => {
        const bytes = Buffer.from(messages.map((message) => `${message}\0`).join(''));
        const frames = new Frames();
        const got: string[] = [];
        for (let at = 0, n = 0; at < bytes.length; n += 1) {
          const size = sizes[n % sizes.length] ?? 1;
          got.push(...frames.take(bytes.subarray(at, at + size)));
          at += size;
        }
        return got.length === messages.length && got.every((one, n) => one === messages[n]);
      },
    ),
    { numRuns: runs(200) },
  );
});
