/** Where windows lie: parts of a surface, surfaces of other sizes, and moving and sizing by keys and pointer. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { personAt, type Person } from '../../../../testing/person';
import { withWindow } from '../../../../testing/sessions';
import type { Extent, Geometry } from '../model/geometry';
import { LEAST_HEIGHT, LEAST_WIDTH } from '../model/limits';
import { windowOf } from '../slices/windows/selectors';
import { draggedFrom, partAtEdge } from './dragging';
import { boxOfPart, nextPart, PARTS, type Part } from './parts';
import { boxOn, COMMON_SURFACE, samePlacement, type Placement } from './placement';
import { freely, placedBy } from './placing';

const side = fc.integer({ min: 320, max: 4_000 });
const anySurface: fc.Arbitrary<Extent> = fc.record({ width: side, height: side });
const anyGeometry: fc.Arbitrary<Geometry> = fc.record({
  x: fc.integer({ min: -3_000, max: 5_000 }),
  y: fc.integer({ min: -3_000, max: 5_000 }),
  width: fc.integer({ min: LEAST_WIDTH, max: 3_000 }),
  height: fc.integer({ min: LEAST_HEIGHT, max: 3_000 }),
});

const isOn = ({ x, y, width, height }: Geometry, surface: Extent) =>
  x >= 0 && y >= 0 && x + width <= surface.width && y + height <= surface.height;
const overlap = (a: Geometry, b: Geometry) =>
  a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;

describe('parts of a surface', () => {
  const TILINGS: readonly (readonly Part[])[] = [
    ['whole'],
    ['left-half', 'right-half'],
    ['top-half', 'bottom-half'],
    ['top-left', 'top-right', 'bottom-left', 'bottom-right'],
    ['left-third', 'middle-third', 'right-third'],
    ['left-two-thirds', 'right-third'],
    ['left-third', 'right-two-thirds'],
    ['left-half', 'top-right', 'bottom-right'],
  ];

  it('meet without a gap and without overlapping, whatever its size is', () => {
    expect(new Set(TILINGS.flat())).toEqual(new Set(PARTS));
    fc.assert(
      fc.property(anySurface, fc.constantFrom(...TILINGS), (surface, parts) => {
        const boxes = parts.map((part) => boxOfPart(part, surface));
        expect(boxes.every((box) => isOn(box, surface))).toBe(true);
        for (const [n, box] of boxes.entries())
          for (const other of boxes.slice(n + 1)) expect(overlap(box, other)).toBe(false);
        const area = boxes.reduce((sum, { width, height }) => sum + width * height, 0);
        expect(area).toBe(surface.width * surface.height);
      }),
    );
  });

  it('follow each other at a side: half, third, two thirds, and round', () => {
    const walk = (side: 'left' | 'right') => {
      const first = nextPart(side, undefined);
      const second = nextPart(side, first);
      return [first, second, nextPart(side, second), nextPart(side, nextPart(side, second))];
    };
    expect(walk('left')).toEqual(['left-half', 'left-third', 'left-two-thirds', 'left-half']);
    expect(walk('right')).toEqual(['right-half', 'right-third', 'right-two-thirds', 'right-half']);
    expect(nextPart('right', 'left-third')).toBe('right-half');
  });
});

describe('a window on a surface of another size', () => {
  it('lies wholly in sight, no larger than it was, and as it lay where it was placed', () => {
    fc.assert(
      fc.property(anyGeometry, anySurface, anySurface, (geometry, on, surface) => {
        const box = boxOn(surface, { geometry, on });
        expect(isOn(box, surface)).toBe(true);
        expect([box.width, box.height]).toEqual([
          Math.min(geometry.width, surface.width),
          Math.min(geometry.height, surface.height),
        ]);
        if (isOn(geometry, on)) expect(boxOn(on, { geometry, on })).toEqual(geometry);
      }),
    );
  });

  it('keeps its side of the surface, and its corner', () => {
    const on = { width: 1_000, height: 800 };
    const large = { width: 2_000, height: 1_600 };
    const at = (x: number, y: number) => boxOn(large, { geometry: { x, y, width: 400, height: 300 }, on });
    expect(at(0, 0)).toMatchObject({ x: 0, y: 0 });
    expect(at(600, 500)).toMatchObject({ x: 1_600, y: 1_300 });
    expect(at(300, 250)).toMatchObject({ x: 800, y: 650 });
  });

  it('was made for the common one where nothing else is said, and what fills a part fills it everywhere', () => {
    const geometry = { x: 10, y: 20, width: 300, height: 200 };
    expect(boxOn(COMMON_SURFACE, { geometry })).toEqual(geometry);
    expect(boxOn({ width: 390, height: 800 }, { geometry, part: 'left-half' })).toEqual({
      x: 0,
      y: 0,
      width: 195,
      height: 800,
    });
  });
});

describe('placing step by step', () => {
  const surface = { width: 1_000, height: 800 };
  const start = (): Placement => freely({ x: 100, y: 100, width: 300, height: 200 }, surface);
  const stepOf = (placement: Placement, x: number, y: number, what: 'move' | 'size' = 'move') =>
    boxOn(surface, placedBy(placement, { do: what, x, y }, surface));

  it('moves, and sizes at the right and lower edge', () => {
    expect(stepOf(start(), 24, -24)).toEqual({ x: 124, y: 76, width: 300, height: 200 });
    expect(stepOf(start(), 24, -24, 'size')).toEqual({ x: 100, y: 100, width: 324, height: 176 });
  });

  it('stays on the surface, and as large as a window has to be', () => {
    const order = fc.record({
      do: fc.constantFrom('move' as const, 'size' as const),
      x: fc.integer({ min: -400, max: 400 }),
      y: fc.integer({ min: -400, max: 400 }),
    });
    fc.assert(
      fc.property(fc.array(order, { maxLength: 30 }), (orders) => {
        const placed = orders.reduce((now, one) => placedBy(now, one, surface), start());
        const { width, height } = placed.geometry;
        expect(isOn(placed.geometry, surface)).toBe(true);
        expect(width >= LEAST_WIDTH && height >= LEAST_HEIGHT).toBe(true);
      }),
    );
    expect(stepOf(start(), 0, -5_000, 'size').height).toBe(LEAST_HEIGHT);
    expect(stepOf(start(), 5_000, 0, 'size')).toMatchObject({ x: 100, width: 900 });
  });

  it('goes on from a part with what is seen of it', () => {
    const filled = placedBy(start(), { do: 'fill', part: 'right-half' }, surface);
    expect(boxOn(surface, filled)).toEqual(boxOfPart('right-half', surface));
    expect(placedBy(filled, { do: 'move', x: -100, y: 0 }, surface)).toEqual({
      geometry: { x: 400, y: 0, width: 500, height: 800 },
      on: surface,
    });
  });
});

describe('dragging', () => {
  const surface = { width: 1_000, height: 800 };

  it('takes a window that fills a part as large as it was before, under the pointer', () => {
    const placement: Placement = {
      geometry: { x: 10, y: 10, width: 400, height: 300 },
      on: surface,
      part: 'whole',
    };
    expect(draggedFrom(surface, placement, 750, 12)).toEqual({ x: 450, y: 0, width: 400, height: 300 });
    const { part: _part, ...free } = placement;
    expect(draggedFrom(surface, free, 750, 12)).toEqual(placement.geometry);
  });

  it('fills halves at the sides, all at the top, quarters at the corners, and nothing elsewhere', () => {
    const at = (x: number, y: number) => partAtEdge(surface, x, y);
    expect([at(0, 400), at(999, 400), at(500, 0), at(500, 799)]).toEqual([
      'left-half',
      'right-half',
      'whole',
      null,
    ]);
    expect([at(0, 0), at(999, 10), at(0, 790), at(960, 799)]).toEqual([
      'top-left',
      'top-right',
      'bottom-left',
      'bottom-right',
    ]);
    expect(at(500, 400)).toBeNull();
    expect(at(8, 400)).toBeNull();
  });
});

describe('at the desk', () => {
  const placed = (person: Person, id = 'a1') => {
    const { geometry, on, part } = windowOf(person.session, id);
    return { geometry, on, part };
  };
  const plain = { alt: false };
  const begun = () => personAt('a: a1 | b: b1').press('place-window').letGo();

  it('arrows move, with Shift size, with Control by a pixel; nothing is wished before Enter', () => {
    const person = begun();
    const before = person.session;
    person
      .tap('ArrowRight', plain)
      .tap('ArrowDown', { ...plain, shift: true })
      .tap('ArrowLeft', { ...plain, control: true })
      .tap('ArrowUp', { ...plain, control: true, shift: true });
    expect(person.session).toBe(before);
    person.tap('Enter', plain);
    expect(placed(person).geometry).toEqual({ x: 33, y: 20, width: 300, height: 223 });
    expect(person.state.placing).toBeNull();
  });

  it('Escape reverts, and a window that lies as it did is no change', () => {
    const person = begun();
    const before = person.session;
    person.tap('ArrowRight', plain).tap('Escape', plain);
    expect(person.session).toBe(before);
    person.press('place-window').letGo().tap('Enter', plain);
    expect(person.session).toBe(before);
  });

  it('parts lie as their keys do, also while the hold key is still down', () => {
    const person = personAt('a: a1 | b: b1').press('place-window').tap('KeyJ').letGo().tap('Enter', plain);
    expect(placed(person).part).toBe('left-half');
    person
      .press('place-window')
      .letGo()
      .tap('KeyO', { ...plain, shift: true })
      .tap('Enter', plain);
    expect(placed(person).part).toBe('right-two-thirds');
  });

  it('what is typed meanwhile goes nowhere, and what else is done lets it lie as it is seen', () => {
    const person = begun();
    const taken = () => person.effects.filter(({ type }) => type === 'take').length;
    const before = taken();
    person.key({ code: 'KeyX', key: 'x', ...plain });
    expect(taken()).toBe(before + 1);
    person.tap('ArrowRight', plain).step('older-application');
    expect(person.state.placing).toBeNull();
    expect(placed(person).geometry.x).toBe(34);
    person.letGo();
    const pressed = begun().tap('ArrowRight', plain);
    pressed.input({ type: 'pointer', did: 'press', holdKeyDown: false });
    expect(placed(pressed).geometry.x).toBe(34);
  });

  it('ends where the window has gone meanwhile', () => {
    const person = begun().wish({ type: 'close', window: 'a1' });
    expect(person.state.placing).toBeNull();
    expect(person.notices).toEqual([]);
  });

  it('the pointer takes up, lays and lets lie', () => {
    const person = personAt('a: a1 | b: b1');
    const placement = { geometry: { x: 5, y: 6, width: 300, height: 200 }, on: COMMON_SURFACE };
    person.input({ type: 'lift', window: 'a1' }).input({ type: 'lay', placement });
    expect(placed(person).geometry.x).toBe(10);
    person.input({ type: 'let-lie' });
    expect(samePlacement(windowOf(person.session, 'a1'), placement)).toBe(true);
    person
      .input({ type: 'lift', window: 'a1' })
      .input({ type: 'lay', placement: { geometry: { ...placement.geometry, x: 99 } } });
    person.tap('Escape', plain).input({ type: 'let-lie' });
    expect(placed(person).geometry.x).toBe(5);
  });

  it('maximise fills the surface and lets the window lie where it lay', () => {
    const person = personAt('a: a1 | b: b1');
    const before = placed(person);
    expect(placed(person.press('maximise')).part).toBe('whole');
    expect(placed(person.press('maximise'))).toEqual(before);
    person.press('fill-left').press('fill-left');
    expect(placed(person).part).toBe('left-third');
    expect(placed(person.press('maximise'))).toEqual(before);
  });

  it('a pair is the two windows used last that can be seen, swaps, and is put back as one thing', () => {
    const person = personAt('a: a1 a2- | b: b1 | c: c1');
    const parts = () => ['a1', 'a2', 'b1', 'c1'].map((id) => windowOf(person.session, id).part ?? '');
    const before = person.session;
    person.press('pair');
    expect(parts()).toEqual(['left-half', '', 'right-half', '']);
    expect(person.stacking).toBe('c1 a2 b1 a1');
    expect(person.session.front).toBe('a1');
    person.press('pair');
    expect(parts()).toEqual(['right-half', '', 'left-half', '']);
    expect(person.session.putAways).toHaveLength(1);
    person.press('put-back');
    expect(person.session.windows).toEqual(before.windows);
    expect(person.session.stacking).toEqual(before.stacking);
    expect(personAt('a: a1 b-').press('pair').notices).toEqual([{ type: 'nothing-to-pair' }]);
  });

  it('who lies further to the left is left; what was minimised since stays so when the pair is put back', () => {
    const session = withWindow(personAt('a: a1 | b: b1').session, 'a1', {
      geometry: { x: 500, y: 0, width: 300, height: 200 },
    });
    const person = personAt('a: a1 | b: b1');
    person.session = session;
    person.press('pair');
    expect(windowOf(person.session, 'b1').part).toBe('left-half');
    person.wish({ type: 'minimise', window: 'b1' }).press('put-back').press('put-back');
    expect(windowOf(person.session, 'b1').minimised).toBe(false);
    expect(windowOf(person.session, 'b1').part).toBeUndefined();
  });
});
