/** What is kept of rounds: one's own curve, and how each skill goes. */
import { powerLaw, type PowerLaw } from '../tally/practice';
import type { Round, Schedules } from './round';
import type { Skill } from './skills';

/** Rounds, and tries of one skill, that are kept. */
export const MOST_ROUNDS = 500;
const MOST_TIMES = 50;

/** A round that is over. */
export interface PastRound {
  /** When it began, in ms. */
  readonly at: number;
  /** Whether keys were held. */
  readonly holding: boolean;
  readonly tasks: number;
  readonly missed: number;
  /** The time in the middle of those that were done without a miss, in s; null where there were none. */
  readonly median: number | null;
}

/** How a skill goes. */
export interface SkillRecord {
  readonly tries: number;
  readonly missed: number;
  /** The latest times without a miss, in s. */
  readonly times: readonly number[];
}

/** All that is kept. */
export interface DrillRecord {
  readonly rounds: readonly PastRound[];
  readonly skills: Readonly<Partial<Record<Skill, SkillRecord>>>;
  readonly schedules: Schedules;
}

/** Nothing yet. */
export const NO_RECORD: DrillRecord = { rounds: [], skills: {}, schedules: {} };

/** The value in the middle; null of none. */
export function median(values: readonly number[]): number | null {
  const sorted = values.toSorted((a, b) => a - b);
  const middle = sorted.length >> 1;
  const upper = sorted[middle];
  if (upper === undefined) return null;
  return sorted.length % 2 === 1 ? upper : ((sorted[middle - 1] ?? 0) + upper) / 2;
}

/** The record after a round; the same if nothing was done in it. */
export function withRound(
  record: DrillRecord,
  { since, tries, schedules }: Round,
  holding: boolean,
): DrillRecord {
  if (tries.length === 0) return record;
  const clean = tries.filter(({ outcome }) => outcome !== 'missed');
  const past: PastRound = {
    at: since,
    holding,
    tasks: tries.length,
    missed: tries.length - clean.length,
    median: median(clean.map(({ seconds }) => seconds)),
  };
  const skills = { ...record.skills };
  // Another page may have practised others meanwhile.
  const known = { ...record.schedules };
  for (const { skill, outcome, seconds } of tries) {
    const before = skills[skill] ?? { tries: 0, missed: 0, times: [] };
    const missed = outcome === 'missed';
    const schedule = schedules[skill];
    if (schedule) known[skill] = schedule;
    skills[skill] = {
      tries: before.tries + 1,
      missed: before.missed + Number(missed),
      times: missed ? before.times : [...before.times, seconds].slice(-MOST_TIMES),
    };
  }
  return { rounds: [...record.rounds, past].slice(-MOST_ROUNDS), skills, schedules: known };
}

/** The power law of practice over all rounds; null of too few. */
export function curveLaw({ rounds }: DrillRecord): PowerLaw | null {
  const points = rounds.flatMap(({ median: seconds }, nth) =>
    seconds === null || seconds <= 0 ? [] : [{ n: nth + 1, seconds }],
  );
  return powerLaw(
    points.map(({ n }) => n),
    points.map(({ seconds }) => seconds),
  );
}
