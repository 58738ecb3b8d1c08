/** How large each window is shown for one common unit. */
import { cellOf, largest, roomOf, sideOf, type Sheet, type SurveyWindow } from './sheet';

/** A picture's side grows with the root of its window's: four times as large shows twice as large. */
const POWER = 0.5;
/** No picture is longer or higher than so many units: one odd shape must not make all others small. */
const LONGEST = 2.2;
const HIGHEST = 1.3;

/** Scales by a common unit: each is `rate · unit`, and `most` at most. */
export interface SizeLaw {
  readonly rate: Float64Array;
  readonly most: Float64Array;
}

/** The law for some windows on a sheet. Nothing is ever shown larger than it is. */
export function sizeLaw(windows: readonly SurveyWindow[], sheet: Sheet): SizeLaw {
  const room = roomOf(sheet);
  const quarter = sideOf(sheet) / 2;
  const rate = Float64Array.from(windows, ({ width, height }) => {
    const side = sideOf({ width, height });
    return Math.min((side / quarter) ** POWER / side, LONGEST / width, HIGHEST / height);
  });
  const most = Float64Array.from(windows, ({ width, height }) =>
    Math.min(1, room.width / width, (room.height - sheet.captionHeight) / height),
  );
  return { rate, most };
}

/** The scale of a window at a unit. */
export const scaleAt = ({ rate, most }: SizeLaw, index: number, unit: number): number =>
  Math.min(most[index] ?? 1, (rate[index] ?? 1) * unit);

/**
 * A unit that no layout whatever can exceed: at it the cells with their gaps cover the whole sheet; or that at which every
 * window has its full size, where even this does not cover it.
 */
export function unitBound(windows: readonly SurveyWindow[], sheet: Sheet, law: SizeLaw): number {
  const { gap } = sheet;
  const full = windows.reduce(
    (most, _, index) => Math.max(most, (law.most[index] ?? 1) / (law.rate[index] ?? 1)),
    0,
  );
  const area = (sheet.width - gap) * (sheet.height - gap);
  return largest(
    full,
    (unit) =>
      windows.reduce((sum, window, index) => {
        const { width, height } = cellOf(sheet, window, scaleAt(law, index, unit));
        return sum + (width + gap) * (height + gap);
      }, 0) <= area,
    20,
  );
}
