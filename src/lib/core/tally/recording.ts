/** What is recorded of a switch: what the session knows of it, and how its page says that it came about. */
import type { Command, Origin } from '../commands/commands';
import type { ApplicationId, Instant, WindowId } from '../model/ids';
import { find } from '../model/table';
import type { Session } from '../session/session';
import { windowsByApplication } from '../slices/recency/selectors';
import { keepsTally } from '../slices/settings/state';
import type { SwitchFacts, Way } from './way';

/** A window and the application that it is of. */
export interface End {
  readonly window: WindowId;
  readonly application: ApplicationId;
}

/** One change of what is in front, as it is stored. */
export interface Switch {
  /** The number of the event with which it was stored; below 1 for what was before the session began. */
  readonly seq: number;
  readonly at: Instant;
  readonly way: Way;
  /** From the first key to the wish, in ms; null where nobody knows. */
  readonly took: number | null;
  /** Keys that went down meanwhile, modifiers not counted. */
  readonly presses: number | null;
  /** What was in front before and after; null for nothing. */
  readonly from: End | null;
  readonly to: End | null;
  /** Where the application stood in the order of recent use before, 0 for the head; null if it did not run. */
  readonly row: number | null;
  /** How many applications ran. */
  readonly rows: number;
  /** Where the window stood among its application's, by recent use; null if it was not there. */
  readonly leaf: number | null;
  /** How many windows the application had. */
  readonly leaves: number;
  /** Whether it goes on from the switch before, within one run of presses (switching rule 14). */
  readonly goesOn: boolean;
}

/** How a change came about, as far as that is known. */
export interface Circumstances {
  readonly seq: number;
  readonly at: Instant;
  readonly origin: Origin | 'host' | undefined;
  /** What the page said; absent where it said nothing. */
  readonly facts?: SwitchFacts;
  readonly commands?: readonly Command[];
}

/** What is recorded of a change from one session to the next: nothing if the same window is in front, or nobody wants it. */
export function switchBetween(before: Session, after: Session, around: Circumstances): Switch | null {
  if (before.front === after.front || !keepsTally(after.settings)) return null;
  const { seq, at, origin, facts, commands = [] } = around;
  const to = endIn(after, after.front);
  return {
    seq,
    at,
    way: facts?.way ?? (origin === 'host' ? 'host' : 'page'),
    took: facts?.took ?? null,
    presses: facts?.presses ?? null,
    from: endIn(before, before.front),
    to,
    ...standing(before, to),
    goesOn: commands.some((command) => command.type === 'walk-to' && command.pass !== null),
  };
}

function endIn(session: Session, window: WindowId | null): End | null {
  const found = window === null ? undefined : find(session.windows, window);
  return found ? { window: found.id, application: found.application } : null;
}

function standing(before: Session, to: End | null): Pick<Switch, 'row' | 'rows' | 'leaf' | 'leaves'> {
  const { applications } = before.recent;
  const leaves = (to && windowsByApplication(before).get(to.application)) ?? [];
  const orNull = (index: number) => (index === -1 ? null : index);
  return {
    row: to && orNull(applications.findIndex(({ id }) => id === to.application)),
    rows: applications.length,
    leaf: to && orNull(leaves.indexOf(to.window)),
    leaves: leaves.length,
  };
}
