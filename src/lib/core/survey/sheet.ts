/** What the survey lays out, and the sheet that it lays it on. Lengths are in CSS pixels. */
import type { Extent, Geometry } from '../model/geometry';
import type { ApplicationId, WindowId } from '../model/ids';

/** The orders in which windows can be surveyed. */
export const SURVEY_ORDERS = ['place', 'title', 'application', 'recent'] as const;
/** One of them. `place`: roughly where they lie. */
export type SurveyOrder = (typeof SURVEY_ORDERS)[number];

/** A window as the survey sees it. */
export interface SurveyWindow extends Extent {
  readonly id: WindowId;
  readonly application: ApplicationId;
  readonly title: string;
  /** How many windows were used more recently. */
  readonly rank: number;
  /** Its upper left corner on the surface; null for what cannot be seen there. */
  readonly corner: { readonly x: number; readonly y: number } | null;
}

/** The sheet that pictures are laid out on. */
export interface Sheet extends Extent {
  /** What is left free around the sheet and between pictures. */
  readonly gap: number;
  readonly captionHeight: number;
  /** No caption is narrower, however narrow its picture is. */
  readonly captionWidth: number;
}

/** The sheet on a surface of this size. */
export const sheetOn = ({ width, height }: Extent): Sheet => ({
  width,
  height,
  gap: 16,
  captionHeight: 30,
  captionWidth: 132,
});

/** One window on the sheet: its picture stands in the middle above its caption, both within the cell. */
export interface Picture {
  readonly id: WindowId;
  readonly cell: Geometry;
  readonly picture: Geometry;
}

/** A sheet with its pictures. */
export interface Laid {
  /** In the order in which the windows were given. */
  readonly pictures: readonly Picture[];
  /** Row by row from the top, each from left to right. */
  readonly rows: readonly (readonly WindowId[])[];
  /** The side of the picture of a window that fills a quarter of the sheet. */
  readonly unit: number;
}

/** The room within the sheet’s margins. */
export const roomOf = ({ width, height, gap }: Sheet): Extent => ({
  width: width - 2 * gap,
  height: height - 2 * gap,
});

/** The cell of a window that is shown at a scale. */
export const cellOf = ({ captionWidth, captionHeight }: Sheet, window: Extent, scale: number): Extent => ({
  width: Math.max(captionWidth, window.width * scale),
  height: window.height * scale + captionHeight,
});

/** The side of the square with the same area: one number for how large something looks. */
export const sideOf = ({ width, height }: Extent): number => Math.sqrt(width * height);

/** The middle of a box. */
export const middleOf = ({ x, y, width, height }: Geometry): { readonly x: number; readonly y: number } => ({
  x: x + width / 2,
  y: y + height / 2,
});

/** Lengths one after the other, with gaps between them. */
export const lined = (lengths: readonly number[], gap: number): number =>
  lengths.reduce((sum, length) => sum + length + gap, -gap);

/** The largest number up to `high` for which `fits` holds, to within `high / 2 ** steps`; 0 if it never does. */
export function largest(high: number, fits: (value: number) => boolean, steps = 12): number {
  if (fits(high)) return high;
  let low = 0;
  let over = high;
  for (let step = 0; step < steps; step += 1) {
    const middle = (low + over) / 2;
    if (fits(middle)) low = middle;
    else over = middle;
  }
  return low;
}

/** Plain order of texts, the same on every machine. */
export const byText = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);
