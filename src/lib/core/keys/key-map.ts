/** What each position does while the hold key is down: one hand, three rows (see docs/architecture.md). */
import type { Step } from '../switcher/switcher';

/** What can be done to the highlighted window or application, or to the front one while the switcher is closed. */
export const ACTIONS = [
  'minimise',
  'minimise-all',
  'hide-or-show',
  'solo',
  'close',
  'close-all',
  'quit',
  'end-now',
  'put-back',
  'reopen',
  'sweep',
] as const;
export type Action = (typeof ACTIONS)[number];

export type HeldKey = Step | Action | 'glance' | 'search' | 'next-question';

/** A position on the keyboard, with or without Shift. */
export interface Position {
  readonly code: string;
  readonly shift: boolean;
}

/** The key of every held function, in the order in which they are explained. */
export const KEY_MAP: Readonly<Record<HeldKey, Position>> = {
  'older-application': { code: 'KeyS', shift: false },
  'newer-application': { code: 'KeyA', shift: false },
  'next-window': { code: 'KeyF', shift: false },
  'previous-window': { code: 'KeyD', shift: false },
  search: { code: 'KeyQ', shift: false },
  minimise: { code: 'KeyZ', shift: false },
  'hide-or-show': { code: 'KeyX', shift: false },
  close: { code: 'KeyC', shift: false },
  quit: { code: 'KeyV', shift: false },
  'minimise-all': { code: 'KeyZ', shift: true },
  solo: { code: 'KeyX', shift: true },
  'close-all': { code: 'KeyC', shift: true },
  'end-now': { code: 'KeyV', shift: true },
  'put-back': { code: 'KeyR', shift: false },
  reopen: { code: 'KeyR', shift: true },
  sweep: { code: 'KeyG', shift: false },
  glance: { code: 'Space', shift: false },
  'next-question': { code: 'KeyT', shift: false },
};

const HELD_KEYS = Object.keys(KEY_MAP) as HeldKey[];
const BY_POSITION = new Map(HELD_KEYS.map((name) => [position(KEY_MAP[name]), name]));
const STEPPING: ReadonlySet<string> = new Set([
  'older-application',
  'newer-application',
  'next-window',
  'previous-window',
]);

function position({ code, shift }: Position): string {
  return shift ? `Shift+${code}` : code;
}

/** What a position does while the hold key is down. Stepping keys mean the same with Shift: it is for the release. */
export function heldKeyAt(at: Position): HeldKey | null {
  const plain = BY_POSITION.get(at.code) ?? null;
  if (!at.shift) return plain;
  return BY_POSITION.get(position(at)) ?? (plain !== null && isStep(plain) ? plain : null);
}

export const isStep = (held: HeldKey): held is Step => STEPPING.has(held);
