import { describe, expect, it } from 'vitest';
import { later } from '../../../../testing/sessions';
import { end, path, switchTo } from '../../../../testing/switches';
import { EMPTY_HISTORY, historyOf, NONE, within, withoutPasses, wayIndex } from './history';

describe('a history by columns', () => {
  it('has each window once, and -1 for what is not there or not known', () => {
    const history = historyOf([
      switchTo('a1', 1, { from: null, took: null, presses: null, row: null, leaf: null }),
      switchTo('b1', 2, { from: end('a1'), way: 'search' }),
      switchTo(null, 3, { from: end('b1') }),
      switchTo('a1', 4, { from: null }),
    ]);
    expect(history.ends).toEqual([end('a1'), end('b1')]);
    expect([...history.to]).toEqual([0, 1, NONE, 0]);
    expect([...history.from]).toEqual([NONE, 0, 1, NONE]);
    expect([...history.took]).toEqual([NONE, 500, 500, 500]);
    expect(history.row[0]).toBe(NONE);
    expect(history.way[1]).toBe(wayIndex('search'));
    expect(history.at[1]).toBe(Date.parse(later(2)));
  });

  it('keeps a window apart that went to another application', () => {
    const other = { window: 'a1', application: 'z' };
    expect(historyOf([switchTo('a1', 1), switchTo('a1', 2, { to: other })]).ends).toHaveLength(2);
  });
});

describe('a run of presses', () => {
  it('is the one switch that was meant: from its start to its end, with all of its keys and time', () => {
    const run = historyOf([
      switchTo('b1', 10, { from: end('a1'), way: 'place', row: 2, leaf: 0 }),
      switchTo('b2', 11, { from: end('b1'), way: 'place', goesOn: true, row: 0, leaf: 1, took: 300 }),
      switchTo('b3', 12, {
        from: end('b2'),
        way: 'place',
        goesOn: true,
        row: 0,
        leaf: 2,
        took: 200,
        presses: 2,
      }),
      switchTo('c1', 20, { from: end('b3') }),
    ]);
    const merged = withoutPasses(run);
    expect(merged.length).toBe(2);
    expect(merged.ends[merged.from[0] ?? NONE]).toEqual(end('a1'));
    expect(merged.ends[merged.to[0] ?? NONE]).toEqual(end('b3'));
    expect([merged.took[0], merged.presses[0], merged.row[0], merged.leaf[0]]).toEqual([1_000, 4, 2, 2]);
    expect(merged.at[0]).toBe(Date.parse(later(12)));
    expect(merged.ends[merged.to[1] ?? NONE]).toEqual(end('c1'));
  });

  it('of which the time of one press is not known, has none', () => {
    const merged = withoutPasses(
      historyOf([switchTo('b1', 1), switchTo('b2', 2, { goesOn: true, took: null, presses: null })]),
    );
    expect([merged.took[0], merged.presses[0]]).toEqual([NONE, NONE]);
  });

  it('whose start is not in the history begins where the history does', () => {
    expect(withoutPasses(historyOf([switchTo('b2', 2, { goesOn: true })])).length).toBe(1);
    expect(withoutPasses(EMPTY_HISTORY).length).toBe(0);
  });
});

it('the part between two instants has the first and not the second', () => {
  const history = historyOf(path('a1', 'b1', 'a1', 'b1'));
  const part = within(history, Date.parse(later(20)), Date.parse(later(30)));
  expect([...part.at]).toEqual([Date.parse(later(20))]);
  expect(within(history, 0, Infinity)).toBe(history);
});
