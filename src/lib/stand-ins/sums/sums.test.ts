import { describe, expect, it } from 'vitest';
import { evaluate } from './evaluate';
import { reckoned, resultText, underKeelIn } from './sums';

const results = (text: string) => reckoned(text, evaluate).map(({ result }) => result);

describe('sums', () => {
  it('keep the order of operators that the package’s own documentation gives', () => {
    // mathjs, "Expression syntax", section "Precedence": powers bind before signs and to the right, then products, then sums.
    expect(results('2 + 3 * 4\n(2 + 3) * 4\n-2 ^ 2\n2 ^ 3 ^ 2\n8 / 4 / 2\n7 - 2 - 1\n8 % 5\n2 ^ -1')).toEqual(
      [14, 20, -4, 512, 1, 4, 3, 0.5],
    );
    expect(results('sqrt(3 ^ 2 + 4 ^ 2)\nmax(1, 7, 3)\nround(2.567, 2)\ncos(pi)')).toEqual([5, 7, 2.57, -1]);
  });

  it('take names from the lines above them, and say what a line is', () => {
    const sums = reckoned('a = 2 # first\nb = a * 3\n\n# remark alone\nb + a', evaluate);
    expect(sums.map(({ label, result }) => [label, result])).toEqual([
      ['first', 2],
      ['b', 6],
      ['', null],
      ['remark alone', null],
      ['', 8],
    ]);
  });

  it('say what is wrong on its own line, and go on', () => {
    const sums = reckoned('a = 2 +\n1 / 0\nnowhere\n"text"\n3', evaluate);
    expect(sums.map(({ problem }) => problem !== null)).toEqual([true, true, true, true, false]);
    expect(sums.at(-1)?.result).toBe(3);
  });

  it('reach nothing but arithmetic', () => {
    const hostile = [
      'import({}, {})',
      'evaluate("1")',
      'parse("1")',
      'config({})',
      'cos.constructor("return 1")()',
    ];
    expect(results(hostile.join('\n'))).toEqual(hostile.map(() => null));
    expect(results('f(x) = x\n[1, 2, 3]')).toEqual([null, null]);
  });

  it('are shown to four places, and two at least', () => {
    expect([3, 0.1 + 0.2, 1 / 3, -1.5, 12345.678].map(resultText)).toEqual([
      '3',
      '0.30',
      '0.3333',
      '−1.50',
      '12,345.678',
    ]);
  });

  it('find the under-keel clearance where all its parts are named: depth and tide less draught and squat', () => {
    const text =
      'depth = 5.2\ntide = 3.1\ndraught = 7.1\nsquat = 0.75 * 6 ^ 2 / 100\nclearance = depth + tide - draught - squat';
    // Squat in open water, C·V²/100 metres with V in knots: C. B. Barrass, "Ship Squat", simplified; from memory.
    const parts = underKeelIn(reckoned(text, evaluate));
    expect(parts?.squat).toBeCloseTo(0.27, 9);
    expect(parts?.clearance).toBeCloseTo(0.93, 9);
    expect(underKeelIn(reckoned('depth = 5\ntide = 3', evaluate))).toBeNull();
  });
});
