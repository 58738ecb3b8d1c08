import { colord, extend } from 'colord';
import names from 'colord/plugins/names';

extend([names]);

/** The hue of a CSS colour in degrees; null for what is no colour, or has no hue. */
export function hueOf(colour: string): number | null {
  const read = colord(colour);
  const { h, s } = read.toHsl();
  return read.isValid() && s > 0 ? Math.round(h) % 360 : null;
}
