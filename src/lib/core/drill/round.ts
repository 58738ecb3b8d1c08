/**
 * A round of the drill: one task after the other for a minute. How each went is known by what came of it and by how it came
 * about; a skill that went wrong comes again soon.
 */
import type { Session } from '../session/session';
import { keysSeconds, PUBLISHED, type Operators } from '../tally/operators';
import type { SwitchFacts } from '../tally/way';
import { afterTry, nextSkill, type Outcome, type Schedule } from './schedule';
import type { Skill } from './skills';
import { isDone, isMissed, pressesOf, skillsOn, taskFor, waysOf, type Choose, type Task } from './task';

/** How long a round is, in ms. */
export const ROUND_MS = 60_000;
/** After so long, in ms, a task says which keys would do. */
export const HELP_AFTER_MS = 8_000;

/** A task that was done. */
export interface Try {
  readonly skill: Skill;
  readonly outcome: Outcome;
  /** From when it was shown until it was done, in s. */
  readonly seconds: number;
}

/** What is known of every skill that was tried. */
export type Schedules = Readonly<Partial<Record<Skill, Schedule>>>;

/** A round at one moment. Instants are in ms since 1970. */
export interface Round {
  readonly since: number;
  readonly task: Task | null;
  /** Since when the task is shown. */
  readonly shownSince: number;
  /** Whether something went wrong with it, and whether its keys had to be told. */
  readonly missed: boolean;
  readonly helped: boolean;
  readonly tries: readonly Try[];
  readonly schedules: Schedules;
}

/** A round that begins. @param first the skill to begin with, where somebody wants to practise one */
export function beginRound(
  session: Session,
  schedules: Schedules,
  now: number,
  choose: Choose,
  first: Skill | null = null,
): Round {
  const round: Round = {
    since: now,
    task: null,
    shownSince: now,
    missed: false,
    helped: false,
    tries: [],
    schedules,
  };
  const task = first === null ? null : taskFor(first, session, choose);
  return task ? { ...round, task } : withNextTask(round, session, now, choose);
}

/** Whether a round is over. */
export const isOver = ({ since }: Round, now: number): boolean => now - since >= ROUND_MS;

/** A round some time later: the same unless help is due. */
export function later(round: Round, now: number): Round {
  if (round.helped || !round.task || now - round.shownSince < HELP_AFTER_MS) return round;
  return { ...round, helped: true };
}

/** What of a change of the desk a round looks at. */
export interface Change {
  readonly before: Session;
  readonly after: Session;
  /** How it came about. */
  readonly facts: SwitchFacts | null;
  /** The desk for what comes next. */
  readonly next: Session;
}

/** A round after the desk has changed; its task is over once it is done. */
export function afterChange(
  round: Round,
  { before, after, facts, next }: Change,
  now: number,
  choose: Choose,
  operators: Operators = PUBLISHED,
): Round {
  const { task } = round;
  if (!task) return round;
  if (!isDone(task, after)) return isMissed(task, before, after) ? { ...round, missed: true } : round;
  const seconds = (now - round.shownSince) / 1000;
  const outcome = outcomeOf(round, task, facts, seconds, operators);
  const schedule = afterTry(round.schedules[task.skill] ?? null, outcome, now);
  return withNextTask(
    {
      ...round,
      tries: [...round.tries, { skill: task.skill, outcome, seconds }],
      schedules: { ...round.schedules, [task.skill]: schedule },
    },
    next,
    now,
    choose,
  );
}

/** What a task takes by the model, in s: a look at what it says, the hold key, its keys, and the looks on the way. */
export const taskSeconds = (task: Task, operators: Operators = PUBLISHED): number =>
  keysSeconds(operators, 1 + pressesOf(task), 1 + task.looks);

/** Slower than so many times the model is slow; no slower than the model is quick. */
const SLOW = 2;

function outcomeOf(
  { missed, helped }: Round,
  task: Task,
  facts: SwitchFacts | null,
  seconds: number,
  operators: Operators,
): Outcome {
  const ways = waysOf(task.skill);
  // Who got there by other keys has not practised these.
  const byOthers = ways !== null && (facts === null || !ways.includes(facts.way));
  if (missed || helped || byOthers) return 'missed';
  const model = taskSeconds(task, operators);
  if (seconds > SLOW * model) return 'slow';
  return seconds > model ? 'good' : 'quick';
}

function withNextTask(round: Round, session: Session, now: number, choose: Choose): Round {
  const skill = nextSkill(skillsOn(session), round.schedules, round.tries.at(-1)?.skill ?? null, now);
  const task = skill === null ? null : taskFor(skill, session, choose);
  return { ...round, task, shownSince: now, missed: false, helped: false };
}
