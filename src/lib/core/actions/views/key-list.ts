import type { Session } from '../../session/session';
import { GROUPS, type Action, type Group, type Invocation } from '../action';
import type { Position } from '../binding';
import type { Registry } from '../registry';
import { frontTarget, type Target } from '../target';
import { same, type Bound, type KeyMap } from './key-map';
import type { Notice } from '../../host/notice';

/** One line of the list of keys: what can be done, how, and why not now if it cannot. */
export interface KeyLine {
  readonly invocation: Invocation;
  readonly title: string;
  /** Null for what has no key while holding; then it may have others, or none yet. */
  readonly chord: Position | null;
  /** Where several invocations are one line, the key of the last one; they lie side by side. */
  readonly upTo: Bound | null;
  /** The other keys that do it. */
  readonly others: readonly Bound[];
  readonly not: Notice | null;
}

/** Everything that can be done, group by group, as it stands now for what is in front. */
export function keyList(
  registry: Registry,
  keys: KeyMap,
  session: Session,
  target: Target | null = frontTarget(session),
): { readonly group: Group; readonly lines: readonly KeyLine[] }[] {
  const line = (action: Action, argument: string | null, upTo: Bound | null): KeyLine => {
    const invocation = { action: action.id, argument };
    // Of several, one or another can always be done.
    const offer = action.together === null ? registry.offer(session, invocation, target) : null;
    return {
      invocation,
      title: action.together ?? registry.words(invocation, session).title,
      chord: keys.chordOf(invocation),
      upTo,
      others: keys.bindings.filter((bound) => bound.scope !== 'held' && same(bound.invocation, invocation)),
      not: offer && 'not' in offer ? offer.not : null,
    };
  };
  const linesOf = (action: Action): KeyLine[] => {
    if (action.together === null)
      return action.arguments(session).map((argument) => line(action, argument, null));
    const last = keys.bindings.findLast(({ invocation }) => invocation.action === action.id) ?? null;
    return action
      .arguments(session)
      .slice(0, 1)
      .map((argument) => line(action, argument, last));
  };
  return GROUPS.map((group) => ({
    group,
    lines: registry.actions
      .filter((action) => action.group === group)
      .flatMap(linesOf)
      .filter(
        ({ chord, invocation, others }) =>
          chord !== null || others.length > 0 || registry.action(invocation.action).searched,
      ),
  })).filter((section) => section.lines.length > 0);
}
