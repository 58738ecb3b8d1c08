/** Which keys are explained where, and in which words. */
import type { HeldKey } from '../core/keys/key-map';

/** Keys that belong together, and what they do in a word or two. */
export interface LegendEntry {
  readonly keys: readonly HeldKey[];
  readonly text: string;
}

const FINDING: readonly LegendEntry[] = [
  { keys: ['newer-application', 'older-application'], text: 'applications' },
  { keys: ['previous-window', 'next-window'], text: 'windows' },
  { keys: ['search'], text: 'search' },
];
const ACTING: readonly LegendEntry[] = [
  { keys: ['minimise'], text: 'minimise' },
  { keys: ['hide-or-show'], text: 'hide' },
  { keys: ['close'], text: 'close' },
  { keys: ['quit'], text: 'quit' },
];
const FAMILIES: readonly LegendEntry[] = [
  { keys: ['minimise-all'], text: 'minimise all' },
  { keys: ['solo'], text: 'solo' },
  { keys: ['close-all'], text: 'close all' },
  { keys: ['end-now'], text: 'end now' },
];
const EVERYTHING: readonly LegendEntry[] = [
  { keys: ['sweep'], text: 'sweep' },
  { keys: ['glance'], text: 'glance' },
];
const REOPEN: readonly LegendEntry[] = [{ keys: ['reopen'], text: 'reopen' }];

/** What the foot line and the switcher explain, together never the same key twice. */
export const LEGENDS = {
  foot: {
    resting: FINDING,
    held: [...FINDING, ...ACTING, ...EVERYTHING],
    heldWithShift: [...FAMILIES, ...REOPEN],
    underSwitcher: EVERYTHING,
    underSwitcherWithShift: REOPEN,
  },
  switcher: {
    holding: [...FINDING, ...ACTING],
    staying: ACTING,
    withShift: FAMILIES,
  },
} as const;
