import { describe, expect, it } from 'vitest';
import { keysNow, path, switchTo } from '../../../../testing/switches';
import { historyOf } from '../../core/tally/history';
import { PUBLISHED } from '../../core/tally/operators';
import type { Switch } from '../../core/tally/recording';
import { tallyOf } from '../../core/tally/tally';
import { FIGURE_SENTENCES, minutesText, savedSentence } from './tally-texts';

const DAY = Date.parse('2026-11-24T00:00:00.000Z');
const tally = (switches: readonly Switch[]) =>
  tallyOf(historyOf(switches), {
    since: 0,
    until: Infinity,
    days: [{ start: DAY, end: DAY + 24 * 3_600_000 }],
    operators: PUBLISHED,
    keys: keysNow(),
  });
const many = (times: number, took: number): Switch[] =>
  Array.from({ length: times }, (_, n) => switchTo(n % 2 ? 'a1' : 'b1', 10 * n, { took }));
const same = (id: string) => id;

describe('the sentence on top', () => {
  it('says what the keys saved, and how sure that is', () => {
    expect(savedSentence(tally(many(300, 500)))).toBe(
      '300 switches by keys took 3 minutes. That saved 8 minutes against the pointer, give or take 2 minutes.',
    );
  });

  it('says that they cost more, where they do', () => {
    expect(savedSentence(tally(many(100, 4_000)))).toContain('That cost 3 minutes');
  });

  it('says nothing of a difference that is within what the model is off by', () => {
    expect(savedSentence(tally(many(1, 2_000)))).toMatch(/^1 switch by keys took 2 seconds: about as long/);
  });

  it('says that nothing was timed', () => {
    expect(savedSentence(tally([]))).toBe('No switch by keys was timed here yet.');
  });
});

describe('what a figure says', () => {
  it('is about what is in it', () => {
    const told = tally(path('a1', 'b1', 'a1', 'b1', 'c1'));
    expect(FIGURE_SENTENCES.fromTo(told, same)).toBe(
      'a1 and b1 belong together: you went between them 3 times, 75% of all switches.',
    );
    expect(FIGURE_SENTENCES.bands(told, same)).toMatch(/^c was in front longest: 100% of the time/);
    expect(FIGURE_SENTENCES.ways(told)).toBe(
      'Stepping by applications: 100% of all switches. Stepping by applications took least: 0.5 s in the middle.',
    );
    expect(FIGURE_SENTENCES.steps(told)).toContain('1.0 steps away in the mean');
    expect(FIGURE_SENTENCES.misses(told)).toBe('No window was left again within two seconds.');
    expect(FIGURE_SENTENCES.practice(told)).toContain('it takes ten');
  });

  it('says of practice what the law says, or that it does not show', () => {
    const better = Array.from({ length: 50 }, (_, n) =>
      switchTo('b1', n, { took: Math.round(3_000 * (n + 1) ** -0.3) }),
    );
    expect(FIGURE_SENTENCES.practice(tally(better))).toMatch(
      /practice with the exponent 0\.3\d? \(0\.\d\d to 0\.\d\d\)/,
    );
    const flat = Array.from({ length: 50 }, (_, n) => switchTo('b1', n, { took: n % 2 ? 500 : 900 }));
    expect(FIGURE_SENTENCES.practice(tally(flat))).toContain('does not show yet');
  });

  it('says of misses how many, and after what oftenest', () => {
    const missed = [switchTo('b1', 10), switchTo('a1', 11, { way: 'search' }), switchTo('b1', 60)];
    expect(FIGURE_SENTENCES.misses(tally(missed))).toBe(
      '1 window of 3 was left again within two seconds; oftenest after stepping by applications (50%).',
    );
  });

  it('says of nothing that there is nothing', () => {
    const nothing = tally([]);
    for (const [name, sentence] of Object.entries(FIGURE_SENTENCES))
      expect(sentence(nothing, same), name).toMatch(/^(N|Too few)/);
  });
});

it('tells short times in seconds', () => {
  expect([1, 45, 89, 90, 600].map(minutesText)).toEqual([
    '1 second',
    '45 seconds',
    '89 seconds',
    '2 minutes',
    '10 minutes',
  ]);
});
