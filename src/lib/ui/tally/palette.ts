import { find } from '../../core/model/table';
import type { Application } from '../../core/slices/applications/state';
import type { Palette } from './figures';

/** The colours of the page as they are just now. */
export function paletteOf(applications: readonly Application[]): Palette {
  const style = getComputedStyle(document.documentElement);
  const colour = (name: string) => style.getPropertyValue(name).trim();
  const lightness = colour('--spine-lightness');
  return {
    ink: colour('--ink'),
    soft: colour('--ink-soft'),
    line: colour('--line-soft'),
    paper: colour('--paper'),
    tide: colour('--tide'),
    marigold: colour('--marigold'),
    spine: (id) => inRgb(`oklch(${lightness} 0.085 ${find(applications, id)?.hue ?? 0})`),
  };
}

/** A colour in the notation that every program reads: Plotly knows none of the newer ones. */
function inRgb(colour: string): string {
  const canvas = new OffscreenCanvas(1, 1);
  const context = canvas.getContext('2d');
  if (!context) return colour;
  context.fillStyle = colour;
  context.fillRect(0, 0, 1, 1);
  const [red = 0, green = 0, blue = 0] = context.getImageData(0, 0, 1, 1).data;
  return `rgb(${red},${green},${blue})`;
}
