import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { BrowserWindows } from './browser-windows';

describe('browser windows of pages', () => {
  beforeEach(() => void vi.useFakeTimers());
  afterEach(() => void vi.useRealTimers());

  function start() {
    const opened: {
      address: string;
      closed: boolean;
      focus: () => void;
      close: () => void;
      focused: number;
    }[] = [];
    const told: string[][] = [];
    let lets = true;
    const windows = new BrowserWindows(
      (open) => told.push([...open]),
      (address) => {
        if (!lets) return null;
        const handle = {
          address,
          closed: false,
          focused: 0,
          focus: () => (handle.focused += 1),
          close: () => (handle.closed = true),
        };
        opened.push(handle);
        return handle;
      },
    );
    return { windows, opened, told, keep: () => (lets = false) };
  }

  it('one is opened once, and comes forward after that', () => {
    const { windows, opened, told } = start();
    expect([windows.show('w', 'https://a.example/'), windows.show('w', 'https://a.example/')]).toEqual([
      true,
      true,
    ]);
    expect(opened.map(({ address, focused }) => [address, focused])).toEqual([['https://a.example/', 1]]);
    expect(told).toEqual([['w']]);
  });

  it('one that somebody has closed is told, and opened anew', () => {
    const { windows, opened, told } = start();
    windows.show('w', 'a');
    opened[0]?.close();
    vi.advanceTimersByTime(1_000);
    expect(told.at(-1)).toEqual([]);
    expect(vi.getTimerCount()).toBe(0);
    windows.show('w', 'a');
    expect(opened).toHaveLength(2);
  });

  it('goes with the window that stands for it, and no other', () => {
    const { windows, opened, told } = start();
    windows.show('v', 'a');
    windows.show('w', 'b');
    windows.follow((window) => window === 'v');
    expect(opened.map(({ closed }) => closed)).toEqual([false, true]);
    expect(told.at(-1)).toEqual(['v']);
    windows.stop();
    expect(vi.getTimerCount()).toBe(0);
  });

  it('says when the browser does not let it open', () => {
    const { windows, told, keep } = start();
    keep();
    expect(windows.show('w', 'a')).toBe(false);
    expect(told).toEqual([]);
  });
});
