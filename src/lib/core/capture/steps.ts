/** What can be undone and done again. */

/** States of something, the present one and those before and after it. */
export interface Steps<State> {
  /** Before it, the oldest first. */
  readonly past: readonly State[];
  readonly now: State;
  /** Undone, the one to be done again first at the end. */
  readonly undone: readonly State[];
}

/** The first step. */
export const firstStep = <State>(now: State): Steps<State> => ({ past: [], now, undone: [] });

/** One step on; what was undone is gone. */
export const stepTo = <State>({ past, now }: Steps<State>, next: State): Steps<State> => ({
  past: [...past, now],
  now: next,
  undone: [],
});

/** One step back; the same where there is none. */
export function undo<State>(steps: Steps<State>): Steps<State> {
  const before = steps.past.at(-1);
  if (before === undefined) return steps;
  return { past: steps.past.slice(0, -1), now: before, undone: [...steps.undone, steps.now] };
}

/** Does again what was undone last; the same where nothing was. */
export function redo<State>(steps: Steps<State>): Steps<State> {
  const next = steps.undone.at(-1);
  if (next === undefined) return steps;
  return { past: [...steps.past, steps.now], now: next, undone: steps.undone.slice(0, -1) };
}
