import type { WishType } from '../../commands/commands';
import { isAble } from '../../host/plan';
import type { Session } from '../../session/session';
import type { Group, Invocation } from '../action';
import type { Position } from '../binding';
import type { Registry } from '../registry';
import type { Bound, KeyMap } from './key-map';

/** Keys that stand side by side, and what they do in a word or two. */
export interface LegendEntry {
  readonly keys: readonly {
    readonly invocation: Invocation;
    readonly at: Position;
    readonly title: string;
  }[];
  readonly text: string;
}

/** Groups whose keys are explained on one line, for legends that share the screen and never say a key twice. */
export const LEGENDS = {
  /** What the foot line explains at rest, when every chord is written out in full. */
  resting: ['find', 'page'],
  /** What it explains while the hold key is down and the switcher is closed. */
  closed: ['find', 'put-away', 'end', 'surface', 'bring-back', 'page'],
  /** What it explains beneath the switcher … */
  beneath: ['surface', 'bring-back', 'page'],
  /** What lies under the other hand has a line of its own as long as the hold key is down. */
  otherHand: ['tab', 'workspace', 'placing'],
  /** … which explains these itself while it is held open … */
  holding: ['find', 'put-away', 'end'],
  /** … and these while it stays open, when arrows step. */
  staying: ['put-away', 'end'],
} as const satisfies Readonly<Record<string, readonly Group[]>>;

/** Groups of which nothing is left where a host cannot do this. */
const NEEDS: Readonly<Partial<Record<Group, WishType>>> = {
  'put-away': 'minimise',
  end: 'close',
  placing: 'place-window',
  tab: 'go-to-tab',
  workspace: 'enter-workspace',
};

function isUseful(group: Group, { host }: Session): boolean {
  const type = NEEDS[group];
  return type === undefined || isAble(host, { type });
}

/**
 * What the keys of the hold key do, on the layer of Shift or below it, in the order of the registry; neighbours that
 * are called the same share an entry.
 */
export function legendOf(
  registry: Registry,
  keys: KeyMap,
  session: Session,
  { groups, shift }: { readonly groups: readonly Group[]; readonly shift: boolean },
): LegendEntry[] {
  const entries: LegendEntry[] = [];
  for (const { scope, at, shift: withShift, invocation } of keys.bindings) {
    const { explained, group } = registry.action(invocation.action);
    if (scope !== 'held' || !('code' in at) || !explained || !groups.includes(group)) continue;
    if (!isUseful(group, session)) continue;
    if ((withShift === true) !== shift) continue;
    const { short, title } = registry.words(invocation, session);
    const key = { invocation, at: { code: at.code, shift }, title };
    const last = entries.at(-1);
    if (last?.text === short) entries[entries.length - 1] = { ...last, keys: [...last.keys, key] };
    else entries.push({ keys: [key], text: short });
  }
  return entries;
}

/** What the keys of a mode do while it lasts: of each action the first key, those that are called the same together. */
export function legendOfMode(
  registry: Registry,
  keys: KeyMap,
  session: Session,
  mode: 'index' | 'placing' | 'survey',
): { readonly keys: readonly Bound[]; readonly text: string }[] {
  const entries: { keys: Bound[]; text: string; actions: Set<string> }[] = [];
  for (const bound of keys.bindings.filter(({ scope }) => scope === mode || scope.startsWith(`${mode}-`))) {
    const { action } = bound.invocation;
    if (!registry.action(action).explained || entries.some((entry) => entry.actions.has(action))) continue;
    const { short: text } = registry.words(bound.invocation, session);
    const together = entries.find((entry) => entry.text === text);
    if (together) {
      together.keys.push(bound);
      together.actions.add(action);
    } else entries.push({ keys: [bound], text, actions: new Set([action]) });
  }
  return entries;
}
