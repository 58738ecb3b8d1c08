/**
 * The loop around the machine: what it submits takes effect at once, and it hears what came of it. The page and the
 * tests run this same loop, so that no test imitates the page.
 */
import { transition } from './desk';
import { deskTarget, type DeskContext } from './turn';
import type { DeskState } from './state';
import type { DeskInput, Effect, Outcome, Submission } from './messages';
import type { Session } from '../session/session';

/** What the desk stands on: something that has a session, and lets wishes take effect. */
export interface Ground {
  session(): Session;
  submit(submission: Submission): Outcome;
}

/** What one turn of the loop gives. */
export interface Driven {
  readonly state: DeskState;
  /** What is left for the page to carry out. */
  readonly effects: readonly Exclude<Effect, { type: 'submit' }>[];
}

/** The desk after an input and everything that follows from it. */
export function drive(
  state: DeskState,
  input: DeskInput,
  ground: Ground,
  around: Omit<DeskContext, 'session'>,
): Driven {
  const left: Exclude<Effect, { type: 'submit' }>[] = [];
  let now = state;
  const step = (next: DeskInput): void => {
    const { state: after, effects } = transition(now, next, { ...around, session: ground.session() });
    now = after;
    for (const effect of effects) {
      if (effect.type === 'submit') submit(effect.submission);
      else left.push(effect);
    }
  };
  const submit = (submission: Submission): void => {
    const session = ground.session();
    const before = { session, target: deskTarget(now, session) };
    const outcome = ground.submit(submission);
    step({ type: 'session-changed' });
    step({ type: 'submitted', submitted: submission, before, outcome });
  };
  step(input);
  return { state: now, effects: left };
}
