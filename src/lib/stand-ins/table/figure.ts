/** What stands for a figure that is missing. */
const MISSING = '—';

/** Whether nothing stands in a cell. */
export const isMissing = (cell: string): boolean => ['', MISSING].includes(cell.trim());

/** Whether a cell is a figure, or stands for a missing one. */
export const isFigure = (cell: string): boolean => /^\d/u.test(cell) || cell.startsWith(MISSING);
