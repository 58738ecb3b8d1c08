/** A picture while it is marked: a pure machine of keys and the pointer. All lengths are pixels of the picture. */
import type { Extent } from '../model/geometry';
import { nearestIn, wholeOf, type Area, type Point } from './area';
import { begun, dragged, isSomething, moved, pressed, stretched } from './mark';
import type { Draft, Ink, Mark, Tool } from './mark';
import { firstStep, redo, stepTo, undo, type Steps } from './steps';

/** How a picture is to be written: a part of it, with marks, the later ones over the earlier. */
export interface Marked {
  readonly crop: Area;
  readonly marks: readonly Mark[];
}

/** A picture while it is marked. */
export interface Easel {
  readonly extent: Extent;
  /** Pixels of the picture for a CSS pixel of the screen it was taken of. */
  readonly unit: number;
  readonly steps: Steps<Marked>;
  /** What is being made; null: nothing is. */
  readonly draft: Draft | null;
  /** Where the pointer was pressed that is still down. */
  readonly pressedAt: Point | null;
  /** The mark that is chosen, by its index. */
  readonly chosen: number | null;
  /** What the last move of a mark led to. */
  readonly movedTo: { readonly state: Marked; readonly mark: number | null } | null;
  readonly ink: Ink;
}

/** What happens to it. `middle`: of what is seen of the picture. */
export type EaselInput =
  | { readonly type: 'take-up'; readonly tool: Tool; readonly middle: Point }
  | { readonly type: 'move' | 'stretch'; readonly by: Point }
  | { readonly type: 'write'; readonly text: string }
  | { readonly type: 'press' | 'drag'; readonly at: Point }
  | { readonly type: 'ink'; readonly ink: Ink }
  | { readonly type: 'release' | 'place' | 'give-up' | 'choose' | 'remove' | 'undo' | 'redo' | 'revert' };

/** An arrow key moves by so many CSS pixels; finely by one pixel of the picture. */
export const STEP = 24;

/** Some text is so long at most. */
export const LONGEST_LABEL = 200;

/** A picture as it was taken. */
export const easelFor = (extent: Extent, unit: number): Easel => ({
  extent,
  unit,
  steps: firstStep({ crop: wholeOf(extent), marks: [] }),
  draft: null,
  pressedAt: null,
  chosen: null,
  movedTo: null,
  ink: 'signal',
});

/** Whether a picture is other than it was taken. */
export const isMarked = ({ steps: { past } }: Easel): boolean => past.length > 0;

/** Which number a mark is that is a number, from 1 on. */
export const numberOf = (marks: readonly Mark[], mark: number): number =>
  marks.slice(0, mark + 1).filter(({ type }) => type === 'number').length;

/** What the next input makes of it. What cannot be done leaves it as it was, the same object. */
export function worked(easel: Easel, input: EaselInput): Easel {
  const { steps, draft, chosen } = easel;
  const { crop } = steps.now;
  switch (input.type) {
    case 'take-up':
      return {
        ...easel,
        draft: begun(input.tool, crop, input.middle, easel.ink, easel.unit),
        pressedAt: null,
        chosen: null,
      };
    case 'move':
    case 'stretch':
      return shifted(easel, input.type === 'move' ? moved : stretched, input.by);
    case 'write':
      return draft?.type === 'text'
        ? { ...easel, draft: { ...draft, text: input.text.slice(0, LONGEST_LABEL) } }
        : easel;
    case 'ink':
      return inked(easel, input.ink);
    case 'press':
      return draft ? { ...easel, draft: pressed(draft, crop, input.at), pressedAt: input.at } : easel;
    case 'drag':
      return draft && easel.pressedAt
        ? { ...easel, draft: dragged(draft, crop, easel.pressedAt, input.at) }
        : easel;
    case 'release':
      if (!draft || !easel.pressedAt) return easel;
      // What is written is placed once it is there; a part is looked at before it is cut out.
      return draft.type === 'text' || draft.type === 'crop' ? { ...easel, pressedAt: null } : placed(easel);
    case 'place':
      return placed(easel);
    case 'give-up':
      return draft || chosen !== null ? { ...easel, draft: null, pressedAt: null, chosen: null } : easel;
    case 'choose':
      return choosing(easel);
    case 'remove':
      return chosen === null ? easel : changed(easel, without(steps.now, chosen));
    case 'undo':
      return draft || chosen !== null ? worked(easel, { type: 'give-up' }) : stepped(easel, undo(steps));
    case 'redo':
      return stepped(easel, redo(steps));
    case 'revert':
      return isMarked(easel) ? changed(easel, { crop: wholeOf(easel.extent), marks: [] }) : easel;
  }
}

function shifted(easel: Easel, shift: typeof moved, by: Point): Easel {
  const { steps, draft, chosen } = easel;
  const { crop, marks } = steps.now;
  // A line that is made by keys is drawn with them.
  if (draft) {
    const how = draft.type === 'line' && shift === moved ? stretched : shift;
    return { ...easel, draft: how(draft, crop, by) };
  }
  const mark = chosen === null ? undefined : marks[chosen];
  if (!mark) return easel;
  const next = marks.map((one) => (one === mark ? shift(mark, crop, by) : one));
  const now = { crop, marks: next };
  // However many presses move it there, it is one step back to where it was.
  const goesOn = easel.movedTo?.state === steps.now && easel.movedTo.mark === chosen;
  return {
    ...easel,
    steps: goesOn ? { ...steps, now, undone: [] } : stepTo(steps, now),
    movedTo: { state: now, mark: chosen },
  };
}

function inked(easel: Easel, ink: Ink): Easel {
  const { draft, chosen, steps } = easel;
  const mark = chosen === null ? undefined : steps.now.marks[chosen];
  const next = { ...easel, ink, draft: draft && 'ink' in draft ? { ...draft, ink } : draft };
  if (!mark || !('ink' in mark) || mark.ink === ink) return next;
  const marks = steps.now.marks.map((one) => (one === mark ? { ...mark, ink } : one));
  return { ...next, steps: stepTo(steps, { ...steps.now, marks }) };
}

function placed(easel: Easel): Easel {
  const { draft, steps } = easel;
  if (!draft) return easel;
  const rest = { ...easel, draft: null, pressedAt: null };
  if (!isSomething(draft)) return rest;
  const { crop, marks } = steps.now;
  if (draft.type === 'crop')
    return sameArea(draft.area, crop) ? rest : changed(rest, { crop: draft.area, marks });
  return changed(rest, { crop, marks: [...marks, draft] });
}

const sameArea = (a: Area, b: Area): boolean =>
  a.x === b.x && a.y === b.y && a.width === b.width && a.height === b.height;

/** The mark before the chosen one; the newest where none is, and again after the oldest. */
function choosing(easel: Easel): Easel {
  const { marks } = easel.steps.now;
  if (marks.length === 0) return easel;
  const chosen = ((easel.chosen ?? marks.length) + marks.length - 1) % marks.length;
  return { ...easel, draft: null, pressedAt: null, chosen };
}

const without = ({ crop, marks }: Marked, mark: number): Marked => ({
  crop,
  marks: marks.filter((_, at) => at !== mark),
});

const changed = (easel: Easel, to: Marked): Easel => ({
  ...easel,
  steps: stepTo(easel.steps, to),
  draft: null,
  chosen: null,
});

const stepped = (easel: Easel, steps: Steps<Marked>): Easel =>
  steps === easel.steps ? easel : { ...easel, steps, draft: null, pressedAt: null, chosen: null };

/** Where a point of what is shown is in the picture. @param scale pixels of the picture for one that is shown */
export const pointIn = ({ steps }: Easel, shown: Point, scale: number): Point => {
  const { crop } = steps.now;
  return nearestIn(crop, {
    x: Math.round(crop.x + shown.x * scale),
    y: Math.round(crop.y + shown.y * scale),
  });
};
