/** The keys as they are now, laid out as they lie on a keyboard: one page to print. */
import { seatOf, WRITING_KEYS, LETTERS_A_ROW, type KeyRow } from '../../keys/writing-keys';
import type { Session } from '../../session/session';
import { ownKeyOf } from '../../slices/shortcuts/selectors';
import type { Invocation } from '../action';
import type { Scope } from '../binding';
import type { Registry } from '../registry';
import type { Bound, KeyMap } from './key-map';

/** What a key does while the hold key is down. */
export interface SheetUse {
  /** A word or two. */
  readonly short: string;
  /** Whether a person has chosen it. */
  readonly own: boolean;
}

/** A key of the sheet: alone, and with Shift; null where it does nothing. */
export interface SheetKey {
  readonly code: string;
  /** Which one it is from the first letter of its row. */
  readonly column: number;
  readonly plain: SheetUse | null;
  readonly shifted: SheetUse | null;
}

/** Keys that do one thing, where no hold key is needed. */
export interface SheetLine {
  readonly bounds: readonly Bound[];
  readonly title: string;
}

/** One page of keys. */
export interface KeySheet {
  readonly rows: readonly { readonly row: KeyRow; readonly keys: readonly SheetKey[] }[];
  readonly space: SheetKey;
  /** Keys beyond the rows that do something with the hold key. */
  readonly others: readonly SheetKey[];
  readonly elsewhere: readonly {
    readonly scope: Exclude<Scope, 'held'>;
    readonly lines: readonly SheetLine[];
  }[];
}

const ROWS: readonly KeyRow[] = ['digits', 'top', 'home', 'bottom'];
const ELSEWHERE = [
  'anywhere',
  'list',
  'rows',
  'at-end',
  'at-start',
  'index',
  'placing',
  'survey',
  'survey-bare',
  'survey-held',
] as const;

/** The sheet of the keys as they are. */
export function keySheet(registry: Registry, keys: KeyMap, session: Session): KeySheet {
  const held = keys.bindings.filter(({ scope }) => scope === 'held');
  // Keys that share a legend need not say which is which there; here each stands alone.
  const shorts = held.flatMap(({ shift, invocation }) =>
    shift === true ? [] : [registry.words(invocation, session).short],
  );
  const isShared = (short: string) => shorts.indexOf(short) !== shorts.lastIndexOf(short);
  const boundTo = (code: string, shift: boolean) => keys.at(['held'], { code, key: code, shift });
  const useOf = (bound: Bound | null, shift: boolean): SheetUse | null => {
    if (!bound) return null;
    const { action, argument } = bound.invocation;
    const own = action === 'shortcut' || ownKeyOf(session, action, argument) !== undefined;
    const { short, title } = registry.words(bound.invocation, session);
    return { short: !shift && isShared(short) ? title : short, own };
  };
  const keyAt = (code: string): SheetKey => {
    const [plain, shifted] = [boundTo(code, false), boundTo(code, true)];
    return {
      code,
      column: seatOf(code)?.column ?? 0,
      plain: useOf(plain, false),
      // What means the same with Shift is said once.
      shifted: shifted === plain ? null : useOf(shifted, true),
    };
  };
  const isUsed = ({ plain, shifted }: SheetKey) => plain !== null || shifted !== null;
  const codes = [...new Set(held.flatMap(({ at }) => ('code' in at ? [at.code] : [])))];
  return {
    rows: ROWS.map((row) => ({
      row,
      keys: WRITING_KEYS.filter((code) => seatOf(code)?.row === row)
        .map(keyAt)
        .filter((key) => isUsed(key) || (key.column >= 0 && key.column < LETTERS_A_ROW)),
    })),
    space: keyAt('Space'),
    others: codes.filter((code) => seatOf(code) === null && code !== 'Space').map(keyAt),
    elsewhere: ELSEWHERE.map((scope) => ({ scope, lines: linesIn(registry, keys, session, scope) })).filter(
      ({ lines }) => lines.length > 0,
    ),
  };
}

/** Modes have many keys that are called the same: there those share a line. */
const together = (scope: Scope): boolean => scope === 'placing' || scope.startsWith('survey');

/** What the keys of a scope do, those of one action together. */
function linesIn(registry: Registry, keys: KeyMap, session: Session, scope: Scope): SheetLine[] {
  const lines = new Map<string, Bound[]>();
  for (const bound of keys.bindings) {
    if (bound.scope !== scope) continue;
    const title = together(scope)
      ? registry.words(bound.invocation, session).short
      : titleOf(registry, session, bound.invocation);
    lines.set(title, [...(lines.get(title) ?? []), bound]);
  }
  return [...lines].map(([title, bounds]) => ({ title, bounds }));
}

function titleOf(registry: Registry, session: Session, invocation: Invocation): string {
  return registry.action(invocation.action).together ?? registry.words(invocation, session).title;
}
