/**
 * A run of presses (switching rule 14): pressing a place or shortcut of an application again and again walks its windows
 * in the order that was frozen when the run began. Only where the walk ends counts as a use.
 */
import type { Wish } from '../commands/commands';
import type { WindowId } from '../model/ids';
import { without, type Order } from '../model/order';
import { has } from '../model/table';
import type { Session } from '../session/session';
import { passedOver } from '../slices/recency/selectors';
import type { Pass } from '../slices/recency/state';
import { windowOf } from '../slices/windows/selectors';

/** A run that goes on when the same is pressed again. */
export interface Run {
  /** What is pressed. */
  readonly of: string;
  /** The windows in the order that was frozen when it began. */
  readonly order: readonly WindowId[];
  /** Where it is. */
  readonly at: WindowId;
  /** That window as it was before the run brought it forward. */
  readonly pass: Pass;
}

/** What a press leads to. */
export interface Pressed {
  /** Null where there is nothing to go on from. */
  readonly run: Run | null;
  /** Null if nothing happens, because the only window is in front already. */
  readonly wish: Wish | null;
}

/** Where a press goes on from the front window, in the order that a run walks. */
const nextInRun = (order: readonly WindowId[], front: WindowId | null): WindowId | undefined =>
  front !== null && order.includes(front) ? order[(order.indexOf(front) + 1) % order.length] : order[0];

/**
 * How many presses bring a window forward of those that are walked, which are given most recently used first; null if none
 * does, or it is in front already.
 * @example pressesTo(['b1', 'b2'], 'a1', 'b2') // 2
 */
export function pressesTo(order: readonly WindowId[], front: WindowId | null, to: WindowId): number | null {
  let at = front;
  for (let presses = 1; presses <= order.length; presses += 1) {
    const next = nextInRun(order, at);
    if (next === undefined || next === front) return null;
    if (next === to) return presses;
    at = next;
  }
  return null;
}

/**
 * A press of what stands for some windows, given most recently used first; at least one. `run` is the one that a press
 * before began, if nothing else was pressed since and no time ran out.
 */
export function press(run: Run | null, of: string, windows: readonly WindowId[], session: Session): Pressed {
  const { front } = session;
  const inFront = front !== null && windows.includes(front);
  const goesOn = run !== null && run.of === of && inFront && run.order.includes(front);
  const order = goesOn ? run.order.filter((id) => has(session.windows, id)) : windows;
  const to = nextInRun(order, front);
  if (to === undefined || to === front) return { run: null, wish: null };
  const pass = goesOn && run.at === front ? run.pass : null;
  const uses = pass ? passedOver(session, pass) : session.recent.windows;
  return {
    run: { of, order, at: to, pass: { ...useIn(uses, to), minimised: windowOf(session, to).minimised } },
    // Where the window stood that is left, among those that stay where they are.
    wish: {
      type: 'walk-to',
      window: to,
      pass: pass && { ...pass, ...useIn(without(uses, to), pass.window) },
    },
  };
}

/** A window's last use, and which one was used after that. */
function useIn(uses: Order, window: WindowId): Pick<Pass, 'window' | 'at' | 'after'> {
  const at = uses.findIndex(({ id }) => id === window);
  return { window, at: uses[at]?.at ?? null, after: uses[at - 1]?.id ?? null };
}
