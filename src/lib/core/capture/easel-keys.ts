/** What keys mean while a picture is marked, by their positions. */
import { STEP, type Easel } from './easel';
import type { Point } from './area';
import { INKS, type Ink, type Tool } from './mark';

/** The key of each tool: its name's letter, on the block of most layouts. */
export const TOOL_KEYS: Readonly<Record<Tool, string>> = {
  crop: 'KeyC',
  arrow: 'KeyA',
  box: 'KeyB',
  text: 'KeyT',
  line: 'KeyL',
  number: 'KeyN',
  blot: 'KeyX',
};

/** Keys of what else can be done. */
export const EASEL_KEYS = {
  undo: 'KeyZ',
  revert: 'KeyR',
  choose: 'KeyM',
  keep: 'KeyS',
  copy: 'KeyP',
  download: 'KeyD',
  smaller: 'Minus',
  larger: 'Equal',
  fit: 'Digit0',
} as const;

/** What is done with the picture as a whole. */
export type PictureDeed = 'keep' | 'copy' | 'download' | 'drop' | 'smaller' | 'larger' | 'fit';

/** What a key means. */
export type EaselKey =
  | { readonly type: 'tool'; readonly tool: Tool }
  | { readonly type: 'ink'; readonly ink: Ink }
  | { readonly type: 'move' | 'stretch'; readonly by: Point }
  | { readonly type: 'place' | 'give-up' | 'choose' | 'remove' | 'undo' | 'redo' | 'revert' }
  | { readonly type: 'deed'; readonly deed: PictureDeed };

/** A key as it was pressed. */
export interface PressedKey {
  readonly code: string;
  readonly key: string;
  readonly shift: boolean;
  /** Control, or what stands for it on some systems. */
  readonly control: boolean;
}

const ARROWS: Readonly<Record<string, Point>> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
};

/** Letters with Control, as in most programs (common practice). */
const WITH_CONTROL: Readonly<Record<string, EaselKey>> = {
  s: { type: 'deed', deed: 'keep' },
  c: { type: 'deed', deed: 'copy' },
  z: { type: 'undo' },
  y: { type: 'redo' },
};

/** Programs hear letters with Control wherever the layout has them; on one without Latin letters by the key. */
const letterOf = ({ code, key }: PressedKey): string =>
  /^\p{Script=Latin}$/u.test(key) ? key.toLowerCase() : code.replace(/^Key/u, '').toLowerCase();

/** What a key means to a picture as it is; null: nothing, and it is somebody else's. */
export function meaningOf(pressed: PressedKey, easel: Easel): EaselKey | null {
  const { code, key, shift, control } = pressed;
  const held = easel.draft !== null || easel.chosen !== null;
  const arrow = ARROWS[key];
  // While nothing is moved they look around in the picture.
  if (arrow)
    return held
      ? { type: shift ? 'stretch' : 'move', by: stepped(arrow, control ? 1 : STEP * easel.unit) }
      : null;
  if (control)
    return shift && letterOf(pressed) === 'z' ? { type: 'redo' } : (WITH_CONTROL[letterOf(pressed)] ?? null);
  if (code === EASEL_KEYS.undo) return { type: shift ? 'redo' : 'undo' };
  if (key === 'Enter') return enter(easel);
  if (key === 'Escape') return held ? { type: 'give-up' } : { type: 'deed', deed: 'drop' };
  if (key === 'Delete' || key === 'Backspace') return easel.chosen === null ? null : { type: 'remove' };
  if (shift) return null;
  const ink = INKS[Number(/^Digit([1-9])$/u.exec(code)?.[1]) - 1];
  if (ink) return { type: 'ink', ink };
  const [tool] = Object.entries(TOOL_KEYS).find(([, at]) => at === code) ?? [];
  if (tool) return { type: 'tool', tool: tool as Tool };
  const [name] = Object.entries(EASEL_KEYS).find(([, at]) => at === code) ?? [];
  if (name === 'revert' || name === 'choose') return { type: name };
  return name ? { type: 'deed', deed: name as PictureDeed } : null;
}

/** Places what is being made, lets a chosen mark lie, and keeps the picture once nothing is left to be done. */
function enter({ draft, chosen }: Easel): EaselKey {
  if (draft) return { type: 'place' };
  return chosen === null ? { type: 'deed', deed: 'keep' } : { type: 'give-up' };
}

const stepped = ({ x, y }: Point, step: number): Point => ({ x: x * step, y: y * step });
