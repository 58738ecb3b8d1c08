/** How large the switcher and its leaves are on a page. */
import type { Extent } from '../model/geometry';

/** Sizes in CSS pixels. */
export interface SwitcherSize {
  readonly width: number;
  /** A leaf with its border. */
  readonly leafWidth: number;
  readonly leafHeight: number;
  /** A line of leaves with their outlines and the gap below. */
  readonly lineHeight: number;
  /** Leaves that stand side by side. */
  readonly perLine: number;
  /** A preview shows this much of a window, drawn at `scale`. */
  readonly preview: Extent & { readonly scale: number };
}

/** The page that the plain sizes are made for; up to there nothing grows. */
const PLAIN_PAGE: Extent = { width: 1600, height: 900 };
/** Beyond this much of the plain size the eye would have to travel. */
const MOST_GROWTH = 1.6;
const PLAIN_WIDTH = 912;
const PLAIN_LEAF: Extent = { width: 206, height: 126 };
/** The gap between leaves, and what stands at the left and right of a line of them. */
const GAP = 12;
const LINE_FRAME = 40;
/** A leaf narrower than this shows too little of a title. */
const LEAST_LEAF_WIDTH = 150;
/** The part of a window that a preview shows; letters are half their size on a plain page. */
const SHOWN: Extent = { width: 412, height: 168 };

/**
 * The sizes on a page: larger on a large screen, and on a narrow one two leaves side by side as long as they can be read.
 * @example switcherSize({ width: 1280, height: 800 }).perLine // 4
 */
export function switcherSize(page: Extent): SwitcherSize {
  const growth = Math.min(
    MOST_GROWTH,
    Math.max(1, Math.min(page.width / PLAIN_PAGE.width, page.height / PLAIN_PAGE.height)),
  );
  const width = Math.min(Math.round(PLAIN_WIDTH * growth), page.width);
  const plainLeaf = Math.round(PLAIN_LEAF.width * growth);
  const room = width - LINE_FRAME;
  const half = Math.floor((room - GAP) / 2);
  const leafWidth = half < plainLeaf && half >= LEAST_LEAF_WIDTH ? half : Math.min(plainLeaf, room);
  const perLine = Math.max(1, Math.floor((room + GAP) / (leafWidth + GAP)));
  const scale = leafWidth / SHOWN.width;
  // A leaf's text stays as large as it is; what is above it grows.
  const plainPreview = (PLAIN_LEAF.width / SHOWN.width) * SHOWN.height;
  const leafHeight = Math.round(PLAIN_LEAF.height + Math.max(0, scale * SHOWN.height - plainPreview));
  return {
    width,
    leafWidth,
    leafHeight,
    lineHeight: leafHeight + GAP,
    perLine,
    preview: { ...SHOWN, scale },
  };
}
