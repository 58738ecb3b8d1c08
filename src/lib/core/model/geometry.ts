/** A window's place on the surface, in CSS pixels from the surface's top left corner. */
export interface Geometry {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** How large something is, in CSS pixels. */
export interface Extent {
  readonly width: number;
  readonly height: number;
}

/** Whether two places are the same to the pixel. */
export const sameGeometry = (a: Geometry, b: Geometry): boolean =>
  a.x === b.x && a.y === b.y && a.width === b.width && a.height === b.height;
