import type { Geometry } from '../model/geometry';

/** The side of a cell in px: small enough that little is drawn in vain, large enough to be quick. */
const CELL = 16;

/**
 * Which of the `windows` (bottom of the pile first) may show a pixel of themselves on a surface of this size, so
 * that what is covered is not drawn. The surface is a grid of cells; from the top of the pile down, a window shows
 * if it reaches into a cell that no window above covers whole, and does not lie wholly under one of them. Nothing
 * that shows is ever left out; a window of which several others together cover a cell in parts may be named in vain.
 *
 * With each window comes how much of it shows: the whole cells that are its own, of 256 px² each.
 * @example
 * [...exposedWindows([{ geometry: { x: 0, y: 0, width: 64, height: 32 } }], { width: 640, height: 320 }).values()]
 *   // [8]
 */
export function exposedWindows<W extends { readonly geometry: Geometry }>(
  windows: readonly W[],
  surface: { readonly width: number; readonly height: number },
): Map<W, number> {
  const columns = Math.ceil(surface.width / CELL);
  const rows = Math.ceil(surface.height / CELL);
  const covered = new Uint8Array(columns * rows);
  let open = covered.length;
  const exposed = new Map<W, number>();
  const above: { across: Span; down: Span }[] = [];
  for (let index = windows.length - 1; index >= 0 && open > 0; index -= 1) {
    const window = windows[index];
    if (!window) continue;
    const across = span(window.geometry.x, window.geometry.width, surface.width);
    const down = span(window.geometry.y, window.geometry.height, surface.height);
    if (!reaches(covered, columns, touched(across), touched(down))) continue;
    if (above.some((box) => within(across, box.across) && within(down, box.down))) continue;
    above.push({ across, down });
    const closed = cover(covered, columns, filled(across, surface.width), filled(down, surface.height));
    exposed.set(window, closed);
    open -= closed;
  }
  return exposed;
}

type Span = readonly [from: number, to: number];

/** The part of a length that lies on the surface, in px. */
const span = (from: number, length: number, limit: number): Span => [
  Math.max(0, from),
  Math.min(limit, from + length),
];

const within = (inner: Span, outer: Span): boolean => inner[0] >= outer[0] && inner[1] <= outer[1];

/** The cells that a span touches, and those it fills; a cell that the surface's edge cuts is full up to the edge. */
const touched = ([from, to]: Span): Span =>
  from < to ? [Math.floor(from / CELL), Math.ceil(to / CELL)] : [0, 0];
const filled = ([from, to]: Span, limit: number): Span => [
  Math.ceil(from / CELL),
  to >= limit ? Math.ceil(limit / CELL) : Math.floor(to / CELL),
];

function reaches(covered: Uint8Array, columns: number, [left, right]: Span, [top, bottom]: Span): boolean {
  for (let row = top; row < bottom; row += 1)
    for (let cell = row * columns + left, end = row * columns + right; cell < end; cell += 1)
      if (covered[cell] === 0) return true;
  return false;
}

/** Covers cells and answers with how many of them were open. */
function cover(covered: Uint8Array, columns: number, [left, right]: Span, [top, bottom]: Span): number {
  let closed = 0;
  for (let row = top; row < bottom; row += 1)
    for (let cell = row * columns + left, end = row * columns + right; cell < end; cell += 1)
      if (covered[cell] === 0) {
        covered[cell] = 1;
        closed += 1;
      }
  return closed;
}
