/** Two general-purpose packing packages, tried at ever larger units until nothing more fits: what the survey is held against. */
import type { MaxRectsPacker as Packer } from 'maxrects-packer';
import potpack from 'potpack';
import { cellOf, largest, type Picture, type Sheet, type SurveyWindow } from '../src/lib/core/survey/sheet';
import { scaleAt, sizeLaw, unitBound } from '../src/lib/core/survey/size-law';

// The package’s main file exports nothing to a module loader; its other build does.
const build: string = 'maxrects-packer/dist/maxrects-packer.mjs';
const { MaxRectsPacker } = (await import(build)) as { MaxRectsPacker: typeof Packer };

interface Rect {
  x: number;
  y: number;
  width: number;
  height: number;
  index: number;
}

type Packed = readonly { readonly index: number; readonly x: number; readonly y: number }[];
/** Packs cells onto a sheet; null where they do not fit. */
export type Pack = (cells: readonly { width: number; height: number }[], sheet: Sheet) => Packed | null;

/** `maxrects-packer` (maximal rectangles) and `potpack` (towards a square). Both know no gaps, so that each cell has its gap with it. */
export const PACKERS: Readonly<Record<string, Pack>> = {
  'maxrects-packer'(cells, { width, height, gap }) {
    const packer = new MaxRectsPacker<Rect>(width - gap, height - gap, 0, {
      smart: false,
      pot: false,
      square: false,
      allowRotation: false,
    });
    packer.addArray(
      cells.map((cell, index) => ({ width: cell.width + gap, height: cell.height + gap, x: 0, y: 0, index })),
    );
    const [bin, another] = packer.bins;
    return another || !bin ? null : bin.rects.map(({ index, x, y }) => ({ index, x, y }));
  },
  // It packs towards a square, so lengths are stretched to make the sheet one.
  potpack(cells, { width, height, gap }) {
    const stretch = (height - gap) / (width - gap);
    const boxes = cells.map((cell, index) => ({
      w: (cell.width + gap) * stretch,
      h: cell.height + gap,
      x: 0,
      y: 0,
      index,
    }));
    const { w, h } = potpack(boxes);
    if (Math.max(w, h) > height - gap) return null;
    return boxes.map(({ index, x, y }) => ({ index, x: x / stretch, y }));
  },
};

/** The pictures at the largest unit at which a package packs them; null if it never does. */
export function packed(windows: readonly SurveyWindow[], sheet: Sheet, pack: Pack): Picture[] | null {
  const law = sizeLaw(windows, sheet);
  let best: Picture[] | null = null;
  largest(unitBound(windows, sheet, law), (unit) => {
    const scales = windows.map((_, index) => scaleAt(law, index, unit));
    const cells = windows.map((window, index) => cellOf(sheet, window, scales[index] ?? 0));
    const found = pack(cells, sheet);
    if (!found) return false;
    const pictures: Picture[] = [];
    for (const { index, x, y } of found) {
      const [window, cell, scale] = [windows[index], cells[index], scales[index]];
      if (!window || !cell || scale === undefined) continue;
      const size = { width: window.width * scale, height: window.height * scale };
      const box = { x: x + sheet.gap, y: y + sheet.gap, ...cell };
      pictures[index] = {
        id: window.id,
        cell: box,
        picture: { ...size, x: box.x + (cell.width - size.width) / 2, y: box.y },
      };
    }
    best = pictures;
    return true;
  });
  return best;
}
