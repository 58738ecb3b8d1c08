/** Where keys go in a grid: the cells that are shown, and the line of headers above them. */

/** A cell: the number of its row among the shown ones, -1 for the headers. */
export interface Cell {
  readonly row: number;
  readonly column: number;
}

/** How far a page goes, in rows. */
const PAGE = 10;

/** The cell a key goes to from another one, in a grid of so many rows and columns; null for a key that goes nowhere. */
export function stepped(
  { row, column }: Cell,
  { key, ctrlKey }: Pick<KeyboardEvent, 'key' | 'ctrlKey'>,
  { rows, columns }: { readonly rows: number; readonly columns: number },
): Cell | null {
  const within = (to: Cell): Cell => ({
    row: Math.max(-1, Math.min(to.row, rows - 1)),
    column: Math.max(0, Math.min(to.column, columns - 1)),
  });
  switch (key) {
    case 'ArrowUp':
      return within({ row: row - 1, column });
    case 'ArrowDown':
      return within({ row: row + 1, column });
    case 'ArrowLeft':
      return within({ row, column: column - 1 });
    case 'ArrowRight':
      return within({ row, column: column + 1 });
    case 'PageUp':
      return within({ row: Math.max(Math.min(row, 0), row - PAGE), column });
    case 'PageDown':
      return within({ row: row + PAGE, column });
    case 'Home':
      return within({ row: ctrlKey ? 0 : row, column: 0 });
    case 'End':
      return within({ row: ctrlKey ? rows - 1 : row, column: columns - 1 });
    default:
      return null;
  }
}
