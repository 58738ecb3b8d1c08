import Konva from 'konva';
import type { Area, Point } from '../../core/capture/area';
import { numberOf, type Easel, type Marked } from '../../core/capture/easel';
import type { Draft, Ink, Mark } from '../../core/capture/mark';
import { BLOT_COLOUR, INK_COLOURS, ON_INK } from './inks';

/** Sizes of marks, in CSS pixels of the screen that the picture was taken of. */
const SIZES = { line: 4, halo: 2, head: 16, text: 20, number: 15, digits: 17, grip: 1.5 };
/** The line round what is being made or chosen: two colours, so that it is seen on any. */
const DASH = [6, 6];
const FAMILY = "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif";

/** Draws a picture with its marks: on a page as somebody works on it, and as it is written. */
export class Painter {
  readonly #stage: Konva.Stage;
  readonly #layer = new Konva.Layer({ listening: false });

  constructor(
    container: HTMLDivElement,
    readonly source: CanvasImageSource,
  ) {
    this.#stage = new Konva.Stage({ container, width: 1, height: 1, listening: false });
    this.#stage.add(this.#layer);
  }

  /** Shows how it stands. @param scale pixels of the page for one of the picture */
  show({ steps, draft, chosen, unit }: Easel, scale: number): void {
    const { crop } = steps.now;
    this.#stage.size({ width: Math.round(crop.width * scale), height: Math.round(crop.height * scale) });
    const nodes = nodesOf(this.source, steps.now, unit);
    const aid = 1 / scale;
    const mark = chosen === null ? undefined : steps.now.marks[chosen];
    if (mark) nodes.push(...gripOf(extentOf(mark, unit), aid));
    if (draft) nodes.push(...draftOf(draft, steps.now, unit, aid));
    this.#layer.destroyChildren();
    this.#layer.add(
      new Konva.Group({ scaleX: scale, scaleY: scale, offsetX: crop.x, offsetY: crop.y }).add(...nodes),
    );
    this.#layer.batchDraw();
  }

  /** Lets go of what it draws on. */
  end(): void {
    this.#stage.destroy();
  }
}

/**
 * The picture as it is written: one image of whole pixels with nothing behind it. What a blot or a mark covers is gone.
 * @throws if the browser has no room for it
 */
export async function writtenPng(source: CanvasImageSource, marked: Marked, unit: number): Promise<Blob> {
  const { crop } = marked;
  const stage = new Konva.Stage({
    container: document.createElement('div'),
    width: crop.width,
    height: crop.height,
  });
  try {
    const layer = new Konva.Layer({ listening: false });
    layer.add(new Konva.Group({ offsetX: crop.x, offsetY: crop.y }).add(...nodesOf(source, marked, unit)));
    stage.add(layer);
    const canvas = stage.toCanvas({ pixelRatio: 1 });
    return await new Promise((resolve, reject) =>
      canvas.toBlob(
        (blob) => (blob ? resolve(blob) : reject(new Error('The picture is too large.'))),
        'image/png',
      ),
    );
  } finally {
    stage.destroy();
  }
}

type Node = Konva.Shape | Konva.Group;

function nodesOf(source: CanvasImageSource, { marks }: Marked, unit: number): Node[] {
  return [
    new Konva.Image({ image: source, x: 0, y: 0 }),
    ...marks.flatMap((mark, at) => nodesOfMark(mark, numberOf(marks, at), unit)),
  ];
}

function nodesOfMark(mark: Mark, number: number, unit: number): Node[] {
  switch (mark.type) {
    case 'arrow':
      return twice(
        (colour, width) =>
          new Konva.Arrow({
            points: [mark.from.x, mark.from.y, mark.to.x, mark.to.y],
            stroke: colour,
            fill: colour,
            strokeWidth: width,
            pointerLength: SIZES.head * unit,
            pointerWidth: SIZES.head * unit,
            lineCap: 'round',
            lineJoin: 'round',
          }),
        mark.ink,
        unit,
      );
    case 'box':
      return twice(
        (colour, width) =>
          new Konva.Rect({ ...mark.area, stroke: colour, strokeWidth: width, lineJoin: 'round' }),
        mark.ink,
        unit,
      );
    case 'line':
      return twice(
        (colour, width) =>
          new Konva.Line({
            points: mark.points.flatMap(({ x, y }) => [x, y]),
            stroke: colour,
            strokeWidth: width,
            tension: 0.3,
            lineCap: 'round',
            lineJoin: 'round',
          }),
        mark.ink,
        unit,
      );
    case 'text':
      return [textOf(mark, unit)];
    case 'number':
      return numberNodes(mark, number, unit);
    case 'blot':
      // In whole pixels and without a line round it: none of what it covers shines through at its edge.
      return [new Konva.Rect({ ...mark.area, fill: BLOT_COLOUR })];
  }
}

/** A line over a wider one in a colour that it can be told from, so that it is seen on any ground. */
const twice = (node: (colour: string, width: number) => Node, ink: Ink, unit: number): Node[] => [
  node(ON_INK[ink], (SIZES.line + 2 * SIZES.halo) * unit),
  node(INK_COLOURS[ink], SIZES.line * unit),
];

const textOf = ({ at, text, ink }: Extract<Mark, { type: 'text' }>, unit: number): Konva.Text =>
  new Konva.Text({
    ...at,
    text,
    fontFamily: FAMILY,
    fontStyle: '700',
    fontSize: SIZES.text * unit,
    fill: INK_COLOURS[ink],
    stroke: ON_INK[ink],
    strokeWidth: 2 * SIZES.halo * unit,
    fillAfterStrokeEnabled: true,
    lineJoin: 'round',
  });

function numberNodes({ at, ink }: Extract<Mark, { type: 'number' }>, number: number, unit: number): Node[] {
  const side = 2 * SIZES.number * unit;
  const corner = { x: at.x - side / 2, y: at.y - side / 2 };
  return [
    new Konva.Rect({
      ...corner,
      width: side,
      height: side,
      cornerRadius: 3 * unit,
      fill: INK_COLOURS[ink],
      stroke: ON_INK[ink],
      strokeWidth: SIZES.halo * unit,
    }),
    new Konva.Text({
      ...corner,
      width: side,
      height: side,
      text: String(number),
      align: 'center',
      verticalAlign: 'middle',
      fontFamily: FAMILY,
      fontStyle: '700',
      fontSize: (number < 100 ? SIZES.digits : SIZES.digits * 0.7) * unit,
      fill: ON_INK[ink],
    }),
  ];
}

function draftOf(draft: Draft, { crop, marks }: Marked, unit: number, aid: number): Node[] {
  if (draft.type === 'crop')
    return [
      ...aroundOf(crop, draft.area).map(
        (area) => new Konva.Rect({ ...area, fill: BLOT_COLOUR, opacity: 0.6 }),
      ),
      ...gripOf(draft.area, aid),
    ];
  return [
    ...nodesOfMark(draft, numberOf([...marks, draft], marks.length), unit),
    ...gripOf(extentOf(draft, unit), aid),
  ];
}

/** What is round an area within another one. */
const aroundOf = (whole: Area, { x, y, width, height }: Area): Area[] => [
  { x: whole.x, y: whole.y, width: whole.width, height: y - whole.y },
  { x: whole.x, y: y + height, width: whole.width, height: whole.y + whole.height - y - height },
  { x: whole.x, y, width: x - whole.x, height },
  { x: x + width, y, width: whole.x + whole.width - x - width, height },
];

const gripOf = (area: Area, aid: number): Node[] =>
  [INK_COLOURS.paper, INK_COLOURS.ink].map(
    (stroke, nth) =>
      new Konva.Rect({
        ...area,
        stroke,
        strokeWidth: SIZES.grip * aid,
        dash: DASH.map((length) => length * aid),
        dashOffset: nth * (DASH[0] ?? 0) * aid,
      }),
  );

/** The area that a mark takes, roughly. */
function extentOf(mark: Mark, unit: number): Area {
  switch (mark.type) {
    case 'box':
    case 'blot':
      return mark.area;
    case 'arrow':
      return hull([mark.from, mark.to], (SIZES.head / 2) * unit);
    case 'line':
      return hull(mark.points, SIZES.line * unit);
    case 'number':
      return hull([mark.at], SIZES.number * unit);
    case 'text': {
      const node = textOf(mark, unit);
      return { ...mark.at, width: Math.max(node.width(), SIZES.text * unit), height: node.height() };
    }
  }
}

function hull(points: readonly Point[], room: number): Area {
  const xs = points.map(({ x }) => x);
  const ys = points.map(({ y }) => y);
  const [x, y] = [Math.min(...xs) - room, Math.min(...ys) - room];
  return { x, y, width: Math.max(...xs) + room - x, height: Math.max(...ys) + room - y };
}
