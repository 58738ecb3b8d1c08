import { describe, expect, it } from 'vitest';
import { programsUse, type ProcessTable, type ProcessUse } from './processes';

const SECOND = 1_000;
/** Processes as `pid<parent`, with what they have taken of a processor and of memory. */
const table = (at: number, ...list: readonly (readonly [string, Partial<ProcessUse>?])[]): ProcessTable => ({
  at,
  processes: new Map(
    list.map(([line, more]) => {
      const [pid = 0, parent = 0] = line.split('<').map(Number);
      return [pid, { pid, parent, began: 0, busy: 0, memory: 1, ...more }];
    }),
  ),
});
const roots = (lines: Readonly<Record<string, readonly number[]>>) => new Map(Object.entries(lines));
const uses = (...args: Parameters<typeof programsUse>) =>
  programsUse(...args).map(({ application, memory }) => [application, memory]);

describe('the processes of a program', () => {
  it('are those of its windows, each once, and all that these started', () => {
    const now = table(SECOND, ['10<1'], ['11<10'], ['12<11'], ['20<1'], ['30<1']);
    expect(uses(roots({ charts: [10, 10], radio: [20] }), now, null)).toEqual([
      ['charts', 3],
      ['radio', 1],
    ]);
  });

  it('are not those of another program that was started from it', () => {
    const now = table(SECOND, ['10<1'], ['11<10'], ['12<11'], ['13<12']);
    expect(uses(roots({ terminal: [10], charts: [12] }), now, null)).toEqual([
      ['terminal', 2],
      ['charts', 2],
    ]);
  });

  it('are none where they have ended, and end where they lead in a circle', () => {
    expect(programsUse(roots({ charts: [10] }), table(SECOND, ['20<1']), null)).toEqual([]);
    expect(programsUse(roots({ charts: [10] }), table(SECOND, ['20<21'], ['21<20']), null)).toEqual([]);
  });
});

describe('what they use', () => {
  it('is since the oldest began, and a share of a processor since it was measured last', () => {
    const before = table(10 * SECOND, ['10<1', { busy: 4_000, began: 2_000 }]);
    const now = table(
      12 * SECOND,
      ['10<1', { busy: 5_000, began: 2_000 }],
      ['11<10', { busy: 250, began: 11_500 }],
    );
    const [use] = programsUse(roots({ charts: [10] }), now, before);
    // One second in two, and half of the half second that the other has been there.
    expect(use).toEqual({
      application: 'charts',
      since: '1970-01-01T00:00:02.000Z',
      processor: 1,
      memory: 2,
    });
  });

  it('is of its whole life the first time, and of a number that was used again', () => {
    const now = table(10 * SECOND, ['10<1', { busy: 2_000, began: 6_000 }]);
    const share = (before: ProcessTable | null) =>
      programsUse(roots({ charts: [10] }), now, before)[0]?.processor;
    expect(share(null)).toBe(0.5);
    expect(share(table(9 * SECOND, ['10<1', { busy: 1_900, began: 1_000 }]))).toBe(0.5);
    expect(share(now)).toBe(0);
  });
});
