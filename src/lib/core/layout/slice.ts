/** The run of equally high lines of a scrolling list that is worth drawing. */
export interface Slice {
  /** The first line drawn. */
  readonly from: number;
  /** The line after the last one drawn. */
  readonly to: number;
}

/**
 * The lines to draw of a list with `count` lines of `lineHeight` px, seen through a window of `viewHeight` px
 * that is scrolled down by `scrollTop` px. Line `tall` (-1 for none) is `tallHeight` px high instead. `spare` lines
 * beyond each edge keep a small scroll from showing a gap.
 */
export function visibleSlice(list: {
  count: number;
  lineHeight: number;
  tall: number;
  tallHeight: number;
  scrollTop: number;
  viewHeight: number;
  spare: number;
}): Slice {
  const { count, lineHeight, tall, tallHeight, scrollTop, viewHeight, spare } = list;
  const extra = tall < 0 ? 0 : tallHeight - lineHeight;
  const lineAt = (y: number) => {
    const tallTop = tall * lineHeight;
    if (tall < 0 || y < tallTop) return Math.floor(y / lineHeight);
    return Math.max(tall, Math.floor((y - extra) / lineHeight));
  };
  const from = Math.max(0, lineAt(scrollTop) - spare);
  const to = Math.min(count, lineAt(scrollTop + viewHeight - 1) + 1 + spare);
  return { from, to: Math.max(from, to) };
}

/** The scroll position nearest to `scrollTop` at which the span from `top` to `bottom` px is in full view. */
export function scrollToSpan(scrollTop: number, viewHeight: number, top: number, bottom: number): number {
  if (top < scrollTop || bottom - top > viewHeight) return top;
  if (bottom > scrollTop + viewHeight) return bottom - viewHeight;
  return scrollTop;
}
