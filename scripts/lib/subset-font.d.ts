declare module 'subset-font' {
  /** The font with the glyphs of a text and, of a variable font, a part of its axes. */
  export default function subsetFont(
    font: Buffer,
    text: string,
    options: {
      readonly targetFormat: 'woff2';
      readonly variationAxes: Readonly<Record<string, { readonly min: number; readonly max: number }>>;
    },
  ): Promise<Buffer>;
}
