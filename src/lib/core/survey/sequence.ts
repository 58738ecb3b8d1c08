/** The order in which rows are filled, and where everything would like to be. */
import { byText, type Sheet, type SurveyOrder, type SurveyWindow } from './sheet';

/** Windows in their order, by their positions in the list. */
export interface Sequence {
  readonly order: readonly number[];
  /** By position in the list: where its middle is on the surface, as shares; what is not there would be at the foot. */
  readonly x: Float64Array;
  readonly y: Float64Array;
  /** By place in the order: 1 where no row should begin, since it would part an application. */
  readonly whole: Uint8Array;
}

const COMPARE: Readonly<Record<Exclude<SurveyOrder, 'place'>, (a: SurveyWindow, b: SurveyWindow) => number>> =
  {
    title: (a, b) => byText(a.title, b.title),
    application: (a, b) => byText(a.application, b.application) || byText(a.title, b.title),
    recent: (a, b) => a.rank - b.rank,
  };

/**
 * By place windows come by how far down they are; what lies nowhere comes last. `alike`: how much windows of like heights come
 * together all the same, from 0 to 1, since a low one wastes the height of its row.
 */
export function sequence(
  windows: readonly SurveyWindow[],
  sheet: Sheet,
  order: SurveyOrder,
  alike = 0,
): Sequence {
  const share = (at: number, of: number) => Math.min(Math.max(at / of, 0), 1);
  const x = Float64Array.from(windows, ({ corner, width }) =>
    corner ? share(corner.x + width / 2, sheet.width) : 0.5,
  );
  const y = Float64Array.from(windows, ({ corner, height }) =>
    corner ? share(corner.y + height / 2, sheet.height) : 1,
  );
  const key = y.map((down, index) => {
    const height = (windows[index]?.height ?? 0) / sheet.height;
    return (1 - alike) * down - alike * Math.min(height, 1);
  });
  const sorted = [...windows.keys()].sort((i, j) => {
    const [a, b] = [windows[i], windows[j]];
    if (!a || !b) return 0;
    const byPlace = () => (key[i] ?? 0) - (key[j] ?? 0) || (x[i] ?? 0) - (x[j] ?? 0);
    return (order === 'place' ? byPlace() : COMPARE[order](a, b)) || byText(a.id, b.id);
  });
  const owner = (at: number) => windows[sorted[at] ?? -1]?.application;
  const whole = Uint8Array.from(sorted, (_, at) =>
    order === 'application' && at > 0 && owner(at) === owner(at - 1) ? 1 : 0,
  );
  return { order: sorted, x, y, whole };
}
