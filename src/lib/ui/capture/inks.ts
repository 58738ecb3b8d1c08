import type { Ink } from '../../core/capture/mark';

/** How the colours of marks look: the same by day and by night, because a picture is neither. */
export const INK_COLOURS: Readonly<Record<Ink, string>> = {
  signal: '#b3322b',
  tide: '#1f6288',
  marigold: '#f4c95d',
  ink: '#1d2b36',
  paper: '#fffdf7',
};

/** What stands on a colour. */
export const ON_INK: Readonly<Record<Ink, string>> = {
  signal: INK_COLOURS.paper,
  tide: INK_COLOURS.paper,
  marigold: INK_COLOURS.ink,
  ink: INK_COLOURS.paper,
  paper: INK_COLOURS.ink,
};

/** What a blot is painted in. */
export const BLOT_COLOUR = '#1d2b36';
