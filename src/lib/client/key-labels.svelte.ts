import type { KeyInput } from '../core/keys/key-input';
import { hearLayout, knownFrom, labelOf, learnKey, type KnownKeys, type Layout } from '../core/keys/labels';
import { pageStorage } from './page-storage';

/** The part of the Keyboard Map draft (WICG) that some browsers have, on pages that come safely. */
interface KeyboardWithMap {
  getLayoutMap(): Promise<ReadonlyMap<string, string>>;
}

/** Where the browser keeps it: the keyboard belongs to the machine, not to a desk. */
const STORED_AS = 'key-fold/keyboard';

const storage = typeof window === 'undefined' ? null : pageStorage();
let known = $state.raw<KnownKeys>(stored());

/** What is printed on the key at a position, e.g. `S` for `KeyS`; null if that is not known. */
export const keyLabel = (code: string): string | null => labelOf(known, code);

/** The layout that was chosen in this browser; null if it is found out. */
export const chosenLayout = (): Layout | null => known.chosen;

/**
 * Takes the letters on the keys from a chosen keyboard; null: from what the browser says and what is
 * typed.
 */
export function chooseLayout(chosen: Layout | null): void {
  keep({ ...known, chosen });
}

/** Learns from what is typed; asks the browser again when that shows that the layout has changed. */
export function learnFrom(input: KeyInput): void {
  const learned = learnKey(known, input);
  if (learned === known) return;
  const [before] = known.typed;
  keep(learned);
  const changed = before !== undefined && learned.typed[1] === before;
  if (changed) void askBrowser();
}

/** Keeps up with the keyboard, until the returned function is called. */
export function followKeyboard(): () => void {
  const again = () => void askBrowser();
  const changedElsewhere = ({ key }: StorageEvent) => {
    if (key === STORED_AS) known = { ...stored(), told: known.told };
  };
  again();
  // The layout may have been changed while the page was not looked at.
  window.addEventListener('focus', again);
  window.addEventListener('storage', changedElsewhere);
  return () => {
    window.removeEventListener('focus', again);
    window.removeEventListener('storage', changedElsewhere);
  };
}

async function askBrowser(): Promise<void> {
  const { keyboard } = navigator as Navigator & { keyboard?: KeyboardWithMap };
  const told = await keyboard?.getLayoutMap().catch(() => undefined);
  if (told) keep(hearLayout(known, Object.fromEntries(told)));
}

function keep(now: KnownKeys): void {
  if (now === known) return;
  known = now;
  try {
    storage?.setItem(STORED_AS, JSON.stringify({ chosen: now.chosen, typed: now.typed }));
  } catch {
    // Without room for it, it is found out anew the next time.
  }
}

function stored(): KnownKeys {
  return knownFrom(storage?.getItem(STORED_AS) ?? '');
}
