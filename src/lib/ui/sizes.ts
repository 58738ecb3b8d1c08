/** Sizes that both the layout's arithmetic and the drawing need, in CSS pixels. */
export const ROW_HEIGHT = 38;
/** Lines of leaves that the unfolded row shows before it scrolls. */
export const MOST_LEAF_LINES = 2;
/** The unfolded row without its leaves. */
export const UNFOLDED_FRAME = 50;
/** Previews are drawn once the highlight has rested on a row for this long, in ms. */
export const PREVIEW_REST_MS = 80;
/** What stands above and below the switcher's rows: margins, search line, what will happen, legends and foot line. */
export const SWITCHER_FRAME = 202;
