import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { areaBetween, wholePixels, wholeOf, type Area, type Point } from './area';
import { easelFor, isMarked, numberOf, pointIn, STEP, worked, type Easel, type EaselInput } from './easel';
import { INKS, TOOLS, type Draft } from './mark';

const EXTENT = { width: 640, height: 400 };
const MIDDLE = { x: 320, y: 200 };
const after = (...inputs: readonly EaselInput[]): Easel => inputs.reduce(worked, easelFor(EXTENT, 1));
const up = (tool: (typeof TOOLS)[number]): EaselInput => ({ type: 'take-up', tool, middle: MIDDLE });
const by = (type: 'move' | 'stretch', x: number, y: number): EaselInput => ({ type, by: { x, y } });
const place: EaselInput = { type: 'place' };
const drag = (from: Point, to: Point): EaselInput[] => [
  { type: 'press', at: from },
  { type: 'drag', at: to },
  { type: 'release' },
];

describe('by keys', () => {
  it('a box begins in the middle of what is seen, is moved and sized, and stays once it is placed', () => {
    const made = after(up('box'), by('move', STEP, 0), by('stretch', 0, -STEP), place);
    expect(made.draft).toBeNull();
    expect(made.steps.now.marks).toEqual([
      { type: 'box', area: { x: 200 + STEP, y: 130, width: 240, height: 140 - STEP }, ink: 'signal' },
    ]);
  });

  it('an arrow points to the middle; Shift moves its tip alone', () => {
    const { draft } = after(up('arrow'), by('move', 10, 0), by('stretch', 0, 5));
    expect(draft).toMatchObject({ from: { x: 210, y: 320 }, to: { x: 330, y: 205 } });
  });

  it('a line is drawn from where it begins', () => {
    const { draft } = after(up('line'), by('move', 10, 0), by('move', 0, 10), by('stretch', 5, 5));
    expect(draft).toMatchObject({
      points: [MIDDLE, { x: 330, y: 200 }, { x: 330, y: 210 }, { x: 335, y: 215 }],
    });
  });

  it('a text is written before it is placed; one without letters is none', () => {
    expect(after(up('text'), { type: 'write', text: 'Look' }, place).steps.now.marks).toEqual([
      { type: 'text', at: MIDDLE, text: 'Look', ink: 'signal' },
    ]);
    expect(isMarked(after(up('text'), { type: 'write', text: '  ' }, place))).toBe(false);
    expect(isMarked(after(up('line'), place))).toBe(false);
  });

  it('a part is cut out, and once more out of that', () => {
    const crop = after(up('crop'), by('move', -999, -999), place, up('crop'), by('stretch', -40, -40), place);
    expect(crop.steps.now.crop).toEqual({ x: 0, y: 0, width: 200, height: 100 });
    expect(crop.steps.past).toHaveLength(2);
  });

  it('numbers count themselves, also after one of them is gone', () => {
    const three = [up('number'), place, up('box'), place, up('number'), place, up('number'), place];
    const { marks } = after(...three).steps.now;
    expect(marks.map((_, at) => numberOf(marks, at))).toEqual([1, 1, 2, 3]);
    const choose: EaselInput = { type: 'choose' };
    const less = after(...three, choose, choose, { type: 'remove' }).steps.now.marks;
    expect(less.map((_, at) => numberOf(less, at))).toEqual([1, 1, 2]);
  });
});

describe('a chosen mark', () => {
  const two = [up('number'), place, up('box'), place];
  const choose: EaselInput = { type: 'choose' };

  it('is the newest first, then the one before, then the newest again', () => {
    expect([1, 2, 3].map((n) => after(...two, ...Array<EaselInput>(n).fill(choose)).chosen)).toEqual([
      1, 0, 1,
    ]);
    expect(after(choose).chosen).toBeNull();
  });

  it('goes back in one step however often it was moved; another one, and another colour, in a step of their own', () => {
    const move = by('move', 10, 0);
    const moved = after(...two, choose, move, move, move);
    expect(moved.steps.past).toHaveLength(3);
    expect(worked(worked(moved, { type: 'give-up' }), { type: 'undo' }).steps.now).toEqual(
      after(...two).steps.now,
    );
    expect(after(...two, choose, move, choose, move).steps.past).toHaveLength(4);
    expect(after(...two, choose, move, { type: 'ink', ink: 'tide' }, move).steps.past).toHaveLength(5);
  });

  it('takes another colour, which the next one has as well', () => {
    const { steps, ink } = after(...two, choose, { type: 'ink', ink: 'tide' });
    expect(steps.now.marks.map((mark) => 'ink' in mark && mark.ink)).toEqual(['signal', 'tide']);
    expect(ink).toBe('tide');
  });
});

describe('by the pointer', () => {
  it('goes from where it was pressed to where it was let go, in any direction', () => {
    const { marks } = after(up('box'), ...drag({ x: 300, y: 200 }, { x: 100, y: 50 })).steps.now;
    expect(marks).toMatchObject([{ area: { x: 100, y: 50, width: 200, height: 150 } }]);
  });

  it('draws a line along its way', () => {
    const line = after(
      up('line'),
      { type: 'press', at: { x: 1, y: 1 } },
      { type: 'drag', at: { x: 2, y: 2 } },
      { type: 'drag', at: { x: 2, y: 2 } },
      { type: 'drag', at: { x: 5, y: 2 } },
      { type: 'release' },
    );
    expect(line.steps.now.marks).toMatchObject([
      {
        points: [
          { x: 1, y: 1 },
          { x: 2, y: 2 },
          { x: 5, y: 2 },
        ],
      },
    ]);
  });

  it('cuts nothing out before Enter, and does nothing without a tool', () => {
    const cut = after(up('crop'), ...drag({ x: 0, y: 0 }, { x: 50, y: 50 }));
    expect(cut.draft).toMatchObject({ area: { width: 50, height: 50 } });
    expect(worked(cut, place).steps.now.crop.width).toBe(50);
    expect(after(...drag({ x: 0, y: 0 }, { x: 50, y: 50 }))).toEqual(easelFor(EXTENT, 1));
  });

  it('knows where a point of what is shown is, and keeps it in what is left', () => {
    const cut = after(up('crop'), by('move', -9999, -9999), place);
    expect(pointIn(cut, { x: 10, y: 20 }, 2)).toEqual({ x: 20, y: 40 });
    expect(pointIn(cut, { x: 1000, y: 20 }, 2)).toEqual({ x: 240, y: 40 });
  });
});

it('gives up what is being made before it undoes anything', () => {
  const undo: EaselInput = { type: 'undo' };
  const begun = after(up('number'), place, up('box'), undo);
  expect(begun).toMatchObject({ draft: null, steps: { now: { marks: [{ type: 'number' }] } } });
  expect(worked(begun, undo).steps.now.marks).toEqual([]);
});

it('goes back to the picture as it was taken, which can be undone', () => {
  const marked = after(up('number'), place, up('crop'), place);
  const back = worked(marked, { type: 'revert' });
  expect(back.steps.now).toEqual(easelFor(EXTENT, 1).steps.now);
  expect(worked(back, { type: 'undo' }).steps.now).toEqual(marked.steps.now);
});

// Properties.

const point = fc.record({ x: fc.integer({ min: -900, max: 900 }), y: fc.integer({ min: -900, max: 900 }) });
const input: fc.Arbitrary<EaselInput> = fc.oneof(
  fc.record({ type: fc.constant('take-up' as const), tool: fc.constantFrom(...TOOLS), middle: point }),
  fc.record({ type: fc.constantFrom('move' as const, 'stretch' as const), by: point }),
  fc.record({ type: fc.constantFrom('press' as const, 'drag' as const), at: point }),
  fc.record({ type: fc.constant('write' as const), text: fc.string() }),
  fc.record({ type: fc.constant('ink' as const), ink: fc.constantFrom(...INKS) }),
  fc.record({
    type: fc.constantFrom(
      'release',
      'place',
      'place',
      'give-up',
      'choose',
      'remove',
      'undo',
      'redo',
      'revert',
    ),
  }),
);
const inputs = fc.array(input, { maxLength: 60 });

const inside = ({ x, y, width, height }: Area, { x: left, y: top, width: wide, height: high }: Area) =>
  left >= x && top >= y && left + wide <= x + width && top + high <= y + height;
const areaOf = (draft: Draft): Area | null => ('area' in draft ? draft.area : null);

it('leaves the picture with nothing, and is always made of whole pixels, whatever is done (property)', () => {
  fc.assert(
    fc.property(inputs, (all) => {
      const { steps, draft } = after(...all);
      expect(inside(wholeOf(EXTENT), steps.now.crop)).toBe(true);
      for (const one of [...steps.now.marks, ...(draft ? [draft] : [])]) {
        const area = areaOf(one);
        if (!area) continue;
        expect(inside(wholeOf(EXTENT), area)).toBe(true);
        expect(wholePixels(area)).toEqual(area);
        expect(Math.min(area.width, area.height)).toBeGreaterThanOrEqual(4);
      }
    }),
  );
});

it('undone as often as there are steps it is the picture as it was taken; done again it is what it was (property)', () => {
  fc.assert(
    fc.property(inputs, (all) => {
      const end = worked(after(...all), { type: 'give-up' });
      const count = end.steps.past.length;
      const back = Array<EaselInput>(count).fill({ type: 'undo' }).reduce(worked, end);
      expect(back.steps.now).toEqual(easelFor(EXTENT, 1).steps.now);
      expect(Array<EaselInput>(count).fill({ type: 'redo' }).reduce(worked, back).steps.now).toEqual(
        end.steps.now,
      );
    }),
  );
});

it('an area has all that lies between two points, whichever is first (property)', () => {
  fc.assert(
    fc.property(point, point, (a, b) => {
      const whole = wholeOf({ width: 2_000, height: 2_000 });
      const area = areaBetween({ ...whole, x: -1_000, y: -1_000 }, a, b);
      expect(areaBetween({ ...whole, x: -1_000, y: -1_000 }, b, a)).toEqual(area);
      for (const { x, y } of [a, b]) expect(inside(area, { x, y, width: 0, height: 0 })).toBe(true);
    }),
  );
});
