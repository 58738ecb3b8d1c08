/** Switches for tests, from a few words. */
import { DIGITS, type Places } from '../src/lib/core/slices/places/state';
import type { Block } from '../src/lib/core/slices/settings/state';
import type { Keys } from '../src/lib/core/tally/keys-now';
import type { End, Switch } from '../src/lib/core/tally/recording';
import { later } from './sessions';

/** The end of a window such as `a1`: the first letter is its application. */
export const end = (window: string | null): End | null =>
  window === null ? null : { window, application: window.slice(0, 1) };

/** A switch to a window, some seconds after the start; by one step unless it is said otherwise. */
export const switchTo = (to: string | null, seconds: number, more: Partial<Switch> = {}): Switch => ({
  seq: seconds,
  at: later(seconds),
  way: 'step',
  took: 500,
  presses: 1,
  from: null,
  to: end(to),
  row: 1,
  rows: 3,
  leaf: 0,
  leaves: 1,
  goesOn: false,
  ...more,
});

/** A path from window to window, ten seconds apart. */
export const path = (...windows: readonly string[]): Switch[] =>
  windows.slice(1).map((to, n) => switchTo(to, 10 * (n + 1), { from: end(windows[n] ?? null) }));

/** Keys that mean what is named here: applications at the digits from 1 on, and windows with a shortcut. */
export const keysNow = ({
  places = [],
  shortcuts = [],
  block = 'left',
}: {
  readonly places?: Places;
  readonly shortcuts?: readonly string[];
  readonly block?: Block;
} = {}): Keys => ({ places: DIGITS.map((_, at) => places[at] ?? null), shortcuts, block });
