/** Every limit of a session, named once: the page, the server and the document format all go by these. */

/** Windows, and applications, of one session. */
export const MOST_WINDOWS = 2_000;
/** Documents of one session. */
export const MOST_DOCUMENTS = 20_000;
/** Shortcuts of one session. */
export const MOST_SHORTCUTS = 200;
/** Workspaces of one session. */
export const MOST_WORKSPACES = 50;
/** Tabs of one window. */
export const MOST_TABS = 100;

/** Lengths are in UTF-16 code units, as JavaScript counts them. */
export const LONGEST_TEXT = 50_000;
/** Titles and names. */
export const LONGEST_TITLE = 200;
/** Letters that search remembers a choice by. */
export const LONGEST_LETTERS = 100;
/** Ids in a session document. */
export const LONGEST_ID = 100;

/**
 * The most that a session may weigh, in bytes of its document (see `weightOf`). A document up to this size can be
 * imported, and no session grows beyond it, so that every export can be imported again.
 */
export const MOST_WEIGHT = 8 * 1024 * 1024;

/** Commands in one batch, and bytes of its JSON. */
export const MOST_COMMANDS = 100;
/** The JSON of one batch, in bytes. */
export const LARGEST_BATCH = 1024 * 1024;

/** A window's place and size, in CSS pixels. */
export const FARTHEST = 20_000;
/** The narrowest window, in CSS pixels. */
export const LEAST_WIDTH = 120;
/** The lowest window, in CSS pixels. */
export const LEAST_HEIGHT = 60;

/** How many putting-aways can be taken back, and how many ended things reopened. */
export const STACK_DEPTH = 40;
