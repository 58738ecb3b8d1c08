/** A line of a menu, wherever that is. */
export const MENU_ITEM =
  'flex cursor-default items-baseline gap-3 px-3 py-1 outline-none data-highlighted:bg-marigold data-highlighted:text-on-marigold data-disabled:text-ink-soft';
/** What stands above a section of it. */
export const MENU_HEADING = 'border-b border-line px-3 pt-2 pb-0.5 text-xs text-ink-soft';
/** The menu itself. */
export const MENU =
  'z-50 max-h-(--bits-dropdown-menu-content-available-height) w-90 overflow-y-auto border border-l-[10px] border-ink bg-paper-high pb-1.5 shadow-unfolded outline-none';
