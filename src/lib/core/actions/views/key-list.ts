import type { Session } from '../../session/session';
import { GROUPS, type Group, type Invocation } from '../action';
import type { Position } from '../binding';
import type { Registry } from '../registry';
import { frontTarget, type Target } from '../target';
import { same, type KeyMap } from './key-map';
import type { Notice } from '../../host/notice';

/** One line of the list of keys: what can be done, how, and why not now if it cannot. */
export interface KeyLine {
  readonly invocation: Invocation;
  readonly title: string;
  /** Null for what has no key while holding. */
  readonly chord: Position | null;
  /** The other keys that do it, by their names. */
  readonly names: readonly string[];
  readonly not: Notice | null;
}

/** Everything that can be done, group by group, as it stands now for what is in front. */
export function keyList(
  registry: Registry,
  keys: KeyMap,
  session: Session,
  target: Target | null = frontTarget(session),
): { readonly group: Group; readonly lines: readonly KeyLine[] }[] {
  const lines = registry.invocations(session).map((invocation) => {
    const offer = registry.offer(session, invocation, target);
    const named = keys.bindings.filter((bound) => same(bound.invocation, invocation));
    return {
      group: registry.action(invocation.action).group,
      invocation,
      title: registry.words(invocation, session).title,
      chord: keys.chordOf(invocation),
      names: named.flatMap(({ at, shift }) =>
        'key' in at ? [`${shift === true ? 'Shift ' : ''}${at.key}`] : [],
      ),
      not: 'not' in offer ? offer.not : null,
    };
  });
  return GROUPS.map((group) => ({
    group,
    lines: lines
      .filter((line) => line.group === group && (line.chord !== null || line.names.length > 0))
      .map(({ group: _group, ...line }) => line),
  })).filter((section) => section.lines.length > 0);
}
