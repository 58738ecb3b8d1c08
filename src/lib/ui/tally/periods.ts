/** The stretches of time that the tally can be asked for, as days of whoever looks at it. */
import { addDays, startOfDay, startOfToday } from 'date-fns';
import type { Day } from '../../core/tally/tally';

/** The periods, and the days that each has; all of the time for none. */
export const PERIODS = { day: 1, week: 7, month: 30, all: null } as const;
/** One of them. */
export type Period = keyof typeof PERIODS;

/** Days that have a band at most. */
const MOST_BANDS = 7;

/** A period that ends with a day, in ms: from its first midnight to the one after its last day. */
export interface Stretch {
  readonly since: number;
  readonly until: number;
  /** Its last days. */
  readonly days: readonly Day[];
}

/**
 * The period so many times its length before the one that ends today.
 * @param first when the history began, in ms
 */
export function stretch(period: Period, back: number, first: number): Stretch {
  const length = PERIODS[period];
  const last = addDays(startOfToday(), -back * (length ?? 0));
  const begin = length === null ? startOfDay(first) : addDays(last, 1 - length);
  const days: Day[] = [];
  for (let day = last; day >= begin && days.length < MOST_BANDS; day = addDays(day, -1))
    days.unshift({ start: day.getTime(), end: addDays(day, 1).getTime() });
  return { since: begin.getTime(), until: addDays(last, 1).getTime(), days };
}
