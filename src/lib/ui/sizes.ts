/** Sizes that both the layout's arithmetic and the drawing need, in CSS pixels. */
export const ROW_HEIGHT = 38;
/** A leaf with its border. */
export const LEAF_WIDTH = 206;
const LEAF_GAP = 12;
const SWITCHER_WIDTH = 912;
/** What stands at the left and right of a line of leaves. */
const LEAF_LINE_FRAME = 40;
/** A leaf with its outline and the gap below. */
export const LEAF_LINE_HEIGHT = 138;
/** Lines of leaves that the unfolded row shows before it scrolls. */
export const MOST_LEAF_LINES = 2;
/** The unfolded row without its leaves. */
export const UNFOLDED_FRAME = 50;
/** A preview is drawn at this scale; what does not fit its box is cut off. */
export const PREVIEW_SCALE = 0.5;
/** The box of a preview. */
export const PREVIEW_HEIGHT = 84;
/** Previews are drawn once the highlight has rested on a row for this long, in ms. */
export const PREVIEW_REST_MS = 80;
/** What stands above and below the switcher's rows: margins, search line, what will happen, legends and foot line. */
export const SWITCHER_FRAME = 202;

/** Leaves that stand side by side on a page of this width. */
export function leavesPerLine(pageWidth: number): number {
  const room = Math.min(SWITCHER_WIDTH, pageWidth) - LEAF_LINE_FRAME + LEAF_GAP;
  return Math.max(1, Math.floor(room / (LEAF_WIDTH + LEAF_GAP)));
}
