/** Which key does what where, read off the actions' own keys. */
import type { Session } from '../../session/session';
import type { Invocation } from '../action';
import { MODIFIERS, type Binding, type BoundModifier, type Position, type Scope } from '../binding';
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
  readonly modifiers?: readonly BoundModifier[];
}

/**
 * The key map. One position that is bound in two scopes is no conflict: the scopes that hold are asked one after the
 * other.
 */
export function keyMapOf(registry: Registry, session: Session): KeyMap {
  const bindings: Bound[] = [];
  const conflicts: Conflict[] = [];
  const byKey = new Map<string, Bound>();
  for (const invocation of registry.invocations(session))
    for (const binding of registry.action(invocation.action).keys(invocation.argument)) {
      const bound = { ...binding, invocation };
      const names = namesOf(binding);
      const taken = names.map((name) => byKey.get(name)).find((other) => other !== undefined);
      if (taken) conflicts.push({ binding, has: taken.invocation, wants: invocation });
      else {
        for (const name of names) byKey.set(name, bound);
        bindings.push(bound);
      }
    }
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

/** Whether two invocations are of the same action with the same argument. */
export const same = (a: Invocation, b: Invocation): boolean =>
  a.action === b.action && a.argument === b.argument;

const nameOf = (
  scope: Scope,
  at: Binding['at'],
  shift: boolean,
  modifiers: readonly BoundModifier[] = [],
): string =>
  [
    scope,
    ...MODIFIERS.filter((modifier) => modifiers.includes(modifier)),
    ...(shift ? ['Shift'] : []),
    'code' in at ? at.code : `'${at.key}'`,
  ].join(' ');

const namesOf = ({ scope, at, shift, modifiers }: Binding): string[] =>
  (shift === 'either' ? [false, true] : [shift]).map((down) => nameOf(scope, at, down, modifiers));
