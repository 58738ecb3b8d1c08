/** Which key does what where, read off the actions' own keys. */
import type { Session } from '../../session/session';
import type { Invocation } from '../action';
import { MODIFIERS, type ChordModifier } from '../../keys/chord';
import { ownKeyOf } from '../../slices/shortcuts/selectors';
import { blockOf } from '../../slices/settings/state';
import { inBlock } from '../blocks';
import { boundTo, type Binding, type Position, type Scope } from '../binding';
import type { Registry } from '../registry';

/** A key, and what it invokes. */
export interface Bound extends Binding {
  readonly invocation: Invocation;
}

/** Two invocations on one key of one scope; the first one has it. */
export interface Conflict {
  readonly binding: Binding;
  readonly has: Invocation;
  readonly wants: Invocation;
}

/** All keys, looked up from either side. */
export interface KeyMap {
  readonly bindings: readonly Bound[];
  readonly conflicts: readonly Conflict[];
  /**
   * What a key does: the first of the scopes that binds it has it; a position goes before a name. Null for a key that
   * does nothing there.
   */
  at(scopes: readonly Scope[], pressed: Pressed): Bound | null;
  /** The position that invokes something while the hold key is down; null if it has none. */
  chordOf(invocation: Invocation): Position | null;
}

/** What of a key event tells which binding it is. */
export interface Pressed {
  readonly code: string;
  readonly key: string;
  readonly shift: boolean;
  /** What else is down, but for a hold key that is held. */
  readonly modifiers?: readonly ChordModifier[];
}

/**
 * The key map. One position that is bound in two scopes is no conflict: the scopes that hold are asked one after the
 * other. What a person has chosen has its key before anything that comes with Key Fold.
 */
export function keyMapOf(registry: Registry, session: Session): KeyMap {
  const wanted = registry
    .invocations(session)
    .flatMap((invocation) => boundsOf(registry, session, invocation));
  const conflicts: Conflict[] = [];
  const byKey = new Map<string, Bound>();
  const refused = new Set<Bound>();
  for (const { bound } of [...wanted.filter(({ own }) => own), ...wanted.filter(({ own }) => !own)]) {
    const names = namesOf(bound);
    const taken = names.map((name) => byKey.get(name)).find((other) => other !== undefined);
    if (taken) {
      refused.add(bound);
      conflicts.push({ binding: bound, has: taken.invocation, wants: bound.invocation });
    } else for (const name of names) byKey.set(name, bound);
  }
  const bindings = wanted.map(({ bound }) => bound).filter((bound) => !refused.has(bound));
  return {
    bindings,
    conflicts,
    at(scopes, { code, key, shift, modifiers }) {
      for (const scope of scopes) {
        const bound =
          byKey.get(nameOf(scope, { code }, shift, modifiers)) ??
          byKey.get(nameOf(scope, { key }, shift, modifiers));
        if (bound) return bound;
      }
      return null;
    },
    chordOf(invocation) {
      const bound = bindings.find((one) => one.scope === 'held' && same(one.invocation, invocation));
      return bound && 'code' in bound.at ? { code: bound.at.code, shift: bound.shift === true } : null;
    },
  };
}

interface Wanted {
  readonly bound: Bound;
  /** Whether a person has chosen it. */
  readonly own: boolean;
}

/** The keys of an invocation: a chosen one takes the place of all that work outside of lists. */
function boundsOf(registry: Registry, session: Session, invocation: Invocation): Wanted[] {
  const { action, argument } = invocation;
  const mine = action === 'shortcut';
  const defaults = inBlock(
    action,
    registry.action(action).keys(argument, session),
    mine ? 'left' : blockOf(session.settings),
  );
  const chosen = ownKeyOf(session, action, argument);
  const kept = chosen ? defaults.filter(({ scope }) => scope !== 'held' && scope !== 'anywhere') : defaults;
  const own = chosen?.chord ? [boundTo(chosen.chord)] : [];
  return [
    ...own.map((binding) => ({ bound: { ...binding, invocation }, own: true })),
    ...kept.map((binding) => ({ bound: { ...binding, invocation }, own: mine })),
  ];
}

/** Whether two invocations are of the same action with the same argument. */
export const same = (a: Invocation, b: Invocation): boolean =>
  a.action === b.action && a.argument === b.argument;

const nameOf = (
  scope: Scope,
  at: Binding['at'],
  shift: boolean,
  modifiers: readonly ChordModifier[] = [],
): string =>
  [
    scope,
    ...MODIFIERS.filter((modifier) => modifiers.includes(modifier)),
    ...(shift ? ['Shift'] : []),
    'code' in at ? at.code : `'${at.key}'`,
  ].join(' ');

const namesOf = ({ scope, at, shift, modifiers }: Binding): string[] =>
  (shift === 'either' ? [false, true] : [shift]).map((down) => nameOf(scope, at, down, modifiers));
