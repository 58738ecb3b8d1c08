/** The corners and edges of the surface, where a resting pointer may do something. */
import type { Action } from '../actions/action';
import type { Registry } from '../actions/registry';
import type { Extent } from '../model/geometry';
import type { Session } from '../session/session';
import type { RimPart } from '../slices/settings/state';

/** How far a corner reaches along both of its edges, in CSS pixels: WCAG 2.2, 2.5.8 asks for targets of 24. */
const CORNER = 24;
/** How thick an edge is, in CSS pixels. Thin: windows lie beside it and are sized by theirs. */
const EDGE = 3;

/** The part of the rim at a point of a surface; null where there is none. Corners go before the edges they end. */
export function rimPartAt({ width, height }: Extent, x: number, y: number): RimPart | null {
  if (x < 0 || y < 0 || x >= width || y >= height) return null;
  const across = sideAt(x, width);
  const down = sideAt(y, height);
  if (down.corner === 'start' && across.corner === 'start') return 'topLeft';
  if (down.corner === 'start' && across.corner === 'end') return 'topRight';
  if (down.corner === 'end' && across.corner === 'start') return 'bottomLeft';
  if (down.corner === 'end' && across.corner === 'end') return 'bottomRight';
  if (down.edge) return down.edge === 'start' ? 'top' : 'bottom';
  if (across.edge) return across.edge === 'start' ? 'left' : 'right';
  return null;
}

type Side = 'start' | 'end' | null;

function sideAt(along: number, length: number): { corner: Side; edge: Side } {
  const within = (reach: number): Side => (along < reach ? 'start' : along >= length - reach ? 'end' : null);
  return { corner: within(CORNER), edge: within(EDGE) };
}

/**
 * What a part of the rim can be given: whatever needs no choice, and ends nothing. A pointer that was left somewhere must
 * not quit a program.
 */
export const rimActions = ({ actions }: Registry, session: Session): Action[] =>
  actions.filter((action) => {
    const [argument, ...more] = action.arguments(session);
    return action.group !== 'end' && argument === null && more.length === 0;
  });
