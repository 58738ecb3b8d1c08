import type { Geometry } from '../session/session';

/**
 * Which of the `windows` (bottom of the pile first) show at least one pixel of themselves on a surface of this
 * size, so that nobody draws what is covered. Exact: the part of the surface that is still uncovered is kept as
 * disjoint rectangles, from which each window, topmost first, is cut out.
 */
export function exposedWindows<W extends { readonly geometry: Geometry }>(
  windows: readonly W[],
  surface: { readonly width: number; readonly height: number },
): Set<W> {
  let uncovered: Geometry[] = [{ x: 0, y: 0, ...surface }];
  const exposed = new Set<W>();
  for (let index = windows.length - 1; index >= 0 && uncovered.length > 0; index -= 1) {
    const window = windows[index];
    if (!window || !uncovered.some((part) => overlap(part, window.geometry))) continue;
    exposed.add(window);
    uncovered = uncovered.flatMap((part) => cut(part, window.geometry));
  }
  return exposed;
}

const overlap = (a: Geometry, b: Geometry): boolean =>
  a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;

/** What is left of `part` without `hole`: up to four rectangles (above, below, left, right). */
function cut(part: Geometry, hole: Geometry): Geometry[] {
  if (!overlap(part, hole)) return [part];
  const top = Math.max(part.y, hole.y);
  const bottom = Math.min(part.y + part.height, hole.y + hole.height);
  const right = hole.x + hole.width;
  const partRight = part.x + part.width;
  const partBottom = part.y + part.height;
  const beside = { y: top, height: bottom - top };
  return [
    { x: part.x, y: part.y, width: part.width, height: top - part.y },
    { x: part.x, y: bottom, width: part.width, height: partBottom - bottom },
    { ...beside, x: part.x, width: hole.x - part.x },
    { ...beside, x: right, width: partRight - right },
  ].filter((piece) => piece.width > 0 && piece.height > 0);
}
