/** `npm run bench:survey`: how long the survey takes to lay out, what it is worth beside packing packages, and what stays at rest. */
import { formFor } from '../src/lib/core/survey/form';
import { layoutNear } from '../src/lib/core/survey/keep';
import { layout } from '../src/lib/core/survey/layout';
import { judge } from '../src/lib/core/survey/objective';
import { sheetOn, type Picture, type Sheet, type SurveyWindow } from '../src/lib/core/survey/sheet';
import { layOut } from '../src/lib/core/survey/survey';
import { PACKERS, packed } from '../testing/survey-rivals';
import { SCREENS, windowSet } from '../testing/survey-sets';
import { fastest, printTable } from './statistics';

const RUNS = 7;
const SEEDS = 12;
const DESKS = SCREENS.slice(0, 3);

/** Where a thousand pictures cannot be, captions shrink so that the algorithm is timed all the same. */
const sheetFor = (screen: Sheet | { width: number; height: number }, count: number): Sheet =>
  count > 60 ? { ...sheetOn(screen), gap: 2, captionHeight: 4, captionWidth: 4 } : sheetOn(screen);

const mean = (values: readonly number[]) => values.reduce((sum, one) => sum + one, 0) / values.length;
const sets = (count: number): { windows: SurveyWindow[]; sheet: Sheet }[] =>
  DESKS.flatMap((screen) =>
    Array.from({ length: count > 60 ? 2 : SEEDS }, (_, seed) => ({
      windows: windowSet(seed, count, screen),
      sheet: sheetFor(screen, count),
    })),
  );

printTable(
  'Laying out, ms, by number of windows',
  [10, 30, 60, 200, 1_000].map((count) => {
    const all = sets(count);
    const times = all.map(({ windows, sheet }) => fastest(RUNS, () => layout(windows, sheet, 'place')));
    const asked = all.map(({ windows, sheet }) =>
      fastest(RUNS, () => layOut({ windows, sheet: sheetOn(sheet), order: 'place', previous: null })),
    );
    const atRest = all.map(({ windows, sheet }) => {
      const before = layout(windows, sheet, 'place');
      const after = before && layoutNear(windows.slice(1), sheet, 'place', before);
      const moved = (after?.pictures ?? []).filter(({ id, cell }) => {
        const was = before?.pictures.find((one) => one.id === id)?.cell;
        return !was || Math.hypot(was.x - cell.x, was.y - cell.y) >= 1;
      });
      return 1 - moved.length / Math.max(1, windows.length - 1);
    });
    return {
      windows: count,
      'as pictures': Number(mean(times).toFixed(2)),
      'worst desk': Number(Math.max(...times).toFixed(2)),
      'in its form': Number(mean(asked).toFixed(2)),
      'at rest when one goes': Number(mean(atRest).toFixed(3)),
    };
  }),
);

const makers: Readonly<
  Record<string, (windows: readonly SurveyWindow[], sheet: Sheet) => readonly Picture[] | null>
> = {
  'Key Fold': (windows, sheet) => layout(windows, sheet, 'place')?.pictures ?? null,
  ...Object.fromEntries(
    Object.entries(PACKERS).map(([name, pack]) => [
      name,
      (windows: readonly SurveyWindow[], sheet: Sheet) => packed(windows, sheet, pack),
    ]),
  ),
};
for (const count of [4, 10, 30, 60])
  printTable(
    `${count} windows: what a layout is worth`,
    Object.entries(makers).map(([name, make]) => {
      const worths = sets(count)
        .filter(({ windows, sheet }) => formFor(windows, sheet) === 'pictures')
        .flatMap(({ windows, sheet }) => {
          const pictures = make(windows, sheet);
          return pictures ? [judge(windows, sheet, 'place')(pictures)] : [];
        });
      const of = (part: keyof (typeof worths)[number]) =>
        Number(mean(worths.map((worth) => worth[part])).toFixed(3));
      return {
        '': name,
        legible: of('legible'),
        used: of('used'),
        even: of('even'),
        kept: of('kept'),
        moved: of('moved'),
        total: of('total'),
      };
    }),
  );
