import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { DraftKeeper, KEEP_WITHIN_MS } from './draft-keeper';

describe('the keeper of drafts', () => {
  beforeEach(() => void vi.useFakeTimers());
  afterEach(() => void vi.useRealTimers());

  it('hands on what was typed within a second, even if typing never stops', () => {
    const keep = vi.fn();
    const keeper = new DraftKeeper(keep);
    for (let time = 0; time < 1_000; time += 50) {
      keeper.typed(`text ${time}`);
      vi.advanceTimersByTime(50);
    }
    expect(KEEP_WITHIN_MS).toBeLessThan(1_000);
    expect(keep).toHaveBeenCalled();
  });

  it('hands on the last text once', () => {
    const keep = vi.fn();
    const keeper = new DraftKeeper(keep);
    keeper.typed('a');
    keeper.typed('ab');
    expect(keeper.waiting).toBe(true);
    keeper.flush();
    vi.advanceTimersByTime(KEEP_WITHIN_MS * 2);
    expect(keep.mock.calls).toEqual([['ab']]);
    expect(keeper.waiting).toBe(false);
  });
});
