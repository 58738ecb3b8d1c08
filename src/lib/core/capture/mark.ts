/** What can be laid on a picture, each as data: how it is drawn is the page's. */
import { areaBetween, areaWithin, nearestIn, stretchedWithin, type Area, type Point } from './area';

/** The colours of marks, by name: the page knows how they look. */
export const INKS = ['signal', 'tide', 'marigold', 'ink', 'paper'] as const;
/** A colour of marks. */
export type Ink = (typeof INKS)[number];

/** What is done to a picture, one at a time. */
export const TOOLS = ['crop', 'arrow', 'box', 'text', 'line', 'number', 'blot'] as const;
/** What is done to a picture. */
export type Tool = (typeof TOOLS)[number];

/** Something on a picture. What a blot covers is gone once the picture is written; a number counts the numbers before it. */
export type Mark =
  | { readonly type: 'arrow'; readonly from: Point; readonly to: Point; readonly ink: Ink }
  | { readonly type: 'box'; readonly area: Area; readonly ink: Ink }
  | { readonly type: 'text'; readonly at: Point; readonly text: string; readonly ink: Ink }
  | { readonly type: 'line'; readonly points: readonly Point[]; readonly ink: Ink }
  | { readonly type: 'number'; readonly at: Point; readonly ink: Ink }
  | { readonly type: 'blot'; readonly area: Area };

/** What is being made: a mark, or the part of the picture that is to be left. */
export type Draft = Mark | { readonly type: 'crop'; readonly area: Area };

/** Points of a free line, at most: more than a hand draws in minutes. */
const MOST_POINTS = 5_000;
/** How large something begins that is made by keys, in pixels of a screen with one pixel a CSS pixel. */
const FIRST_SIZE = { arrow: 120, width: 240, height: 140 };

/** Where a tool that is taken up by a key begins: in the middle of what is seen. `unit`: pixels of the picture for a CSS pixel. */
export function begun(tool: Tool, within: Area, middle: Point, ink: Ink, unit: number): Draft {
  const at = nearestIn(within, middle);
  const size = { width: FIRST_SIZE.width * unit, height: FIRST_SIZE.height * unit };
  const area = areaWithin(within, { x: at.x - size.width / 2, y: at.y - size.height / 2, ...size });
  switch (tool) {
    case 'crop':
      return { type: 'crop', area };
    case 'arrow': {
      const from = nearestIn(within, {
        x: at.x - FIRST_SIZE.arrow * unit,
        y: at.y + FIRST_SIZE.arrow * unit,
      });
      return { type: 'arrow', from, to: at, ink };
    }
    case 'box':
      return { type: 'box', area, ink };
    case 'blot':
      return { type: 'blot', area };
    case 'text':
      return { type: 'text', at, text: '', ink };
    case 'line':
      return { type: 'line', points: [at], ink };
    case 'number':
      return { type: 'number', at, ink };
  }
}

/** The same as the pointer makes it that was pressed at one point and is at another now. */
export function dragged(draft: Draft, within: Area, from: Point, to: Point): Draft {
  const [start, end] = [nearestIn(within, from), nearestIn(within, to)];
  switch (draft.type) {
    case 'crop':
    case 'box':
    case 'blot':
      return { ...draft, area: areaBetween(within, start, end) };
    case 'arrow':
      return { ...draft, from: start, to: end };
    case 'line':
      return drawnOn(draft, end);
    case 'text':
    case 'number':
      return { ...draft, at: end };
  }
}

/** Where the pointer is pressed it begins. */
export const pressed = (draft: Draft, within: Area, at: Point): Draft =>
  draft.type === 'line' ? { ...draft, points: [nearestIn(within, at)] } : dragged(draft, within, at, at);

/** Moved by arrow keys; none of it leaves the picture. A line that is being drawn goes on. */
export function moved<D extends Draft>(draft: D, within: Area, by: Point): D;
export function moved(draft: Draft, within: Area, by: Point): Draft {
  switch (draft.type) {
    case 'crop':
    case 'box':
    case 'blot': {
      const { area } = draft;
      return { ...draft, area: areaWithin(within, { ...area, ...plus(area, by) }) };
    }
    case 'arrow': {
      const [from, to] = together(within, [draft.from, draft.to], by);
      return from && to ? { ...draft, from, to } : draft;
    }
    case 'line':
      return { ...draft, points: together(within, draft.points, by) };
    case 'text':
    case 'number':
      return { ...draft, at: nearestIn(within, plus(draft.at, by)) };
  }
}

/** Its other end is moved: the corner of an area, the tip of an arrow; a line is drawn on. What has no other end stays. */
export function stretched<D extends Draft>(draft: D, within: Area, by: Point): D;
export function stretched(draft: Draft, within: Area, by: Point): Draft {
  switch (draft.type) {
    case 'crop':
    case 'box':
    case 'blot':
      return { ...draft, area: stretchedWithin(within, draft.area, by) };
    case 'arrow':
      return { ...draft, to: nearestIn(within, plus(draft.to, by)) };
    case 'line': {
      const last = draft.points.at(-1);
      return last ? drawnOn(draft, nearestIn(within, plus(last, by))) : draft;
    }
    case 'text':
    case 'number':
      return draft;
  }
}

/** Whether there is anything of it to be seen; what is not is not kept. */
export function isSomething(draft: Draft): boolean {
  switch (draft.type) {
    case 'arrow':
      return draft.from.x !== draft.to.x || draft.from.y !== draft.to.y;
    case 'text':
      return draft.text.trim() !== '';
    case 'line':
      return draft.points.length > 1;
    default:
      return true;
  }
}

type Line = Extract<Mark, { type: 'line' }>;

function drawnOn(line: Line, to: Point): Line {
  const last = line.points.at(-1);
  if (line.points.length >= MOST_POINTS || (last && last.x === to.x && last.y === to.y)) return line;
  return { ...line, points: [...line.points, to] };
}

const plus = (a: Point, b: Point): Point => ({ x: a.x + b.x, y: a.y + b.y });

/** Points moved together, as far as all of them stay in the picture. */
function together(within: Area, points: readonly Point[], by: Point): Point[] {
  const xs = points.map(({ x }) => x);
  const ys = points.map(({ y }) => y);
  const x = shift(by.x, Math.min(...xs) - within.x, within.x + within.width - Math.max(...xs));
  const y = shift(by.y, Math.min(...ys) - within.y, within.y + within.height - Math.max(...ys));
  return points.map((point) => plus(point, { x, y }));
}

/** A way that goes no farther than there is room before and behind. What lies outside already is not drawn in by it. */
const shift = (by: number, before: number, behind: number): number =>
  by < 0 ? Math.max(by, -Math.max(before, 0)) : Math.min(by, Math.max(behind, 0));
