import type { XConnection } from './x-connection';

/** A square a second, in pixels, and what is between them. */
const SQUARE = 28;
const GAP = 8;
/** How far it is from the lower edge of the screen. */
const FROM_EDGE = 60;
/** Dark, and marigold. */
const GROUND = 0x1d2b36;
const SQUARES = 0xf4c95d;
/** More than any wait has. */
const MOST_SQUARES = 30;

/**
 * Shows on a display how many seconds are left before a picture of it is taken: a row of squares, one a second. The server
 * paints them by itself, and no manager has a say in them.
 */
export class Countdown {
  #row: number | null = null;

  constructor(readonly connection: XConnection) {}

  /** Shows so many seconds; none for null and 0. */
  show(seconds: number | null): void {
    const { client, root, screen } = this.connection;
    if (this.#row !== null) client.DestroyWindow(this.#row);
    this.#row = null;
    const count = Math.min(seconds ?? 0, MOST_SQUARES);
    if (count <= 0) return;
    const width = count * (SQUARE + GAP) + GAP;
    const height = SQUARE + 2 * GAP;
    const row = this.#window(
      root,
      Math.round((screen.width - width) / 2),
      screen.height - FROM_EDGE - height,
      width,
      height,
      GROUND,
    );
    for (let nth = 0; nth < count; nth += 1)
      client.MapWindow(this.#window(row, GAP + nth * (SQUARE + GAP), GAP, SQUARE, SQUARE, SQUARES));
    client.MapWindow(row);
    this.#row = row;
  }

  #window(parent: number, x: number, y: number, width: number, height: number, colour: number): number {
    const { client } = this.connection;
    const window = client.AllocID();
    client.CreateWindow(window, parent, x, y, width, height, 0, 0, 1, 0, {
      overrideRedirect: true,
      backgroundPixel: colour,
    });
    return window;
  }
}
