/** The figures of the tally as tables, for those who read rather than look. */
import type { Tally } from '../../core/tally/tally';
import { countText, secondsText, shareText, TALLY_TEXTS, WAY_WORDS } from '../words/tally-texts';
import { dayText, weekdayText, type Names } from './figures';

/** A table: what its columns are called, and its cells row by row. */
export interface TableOfFigure {
  readonly head: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

const { columns } = TALLY_TEXTS;
const MINUTE_MS = 60_000;

/** How often each way, and how long it took. */
export const waysTable = ({ ways }: Tally): TableOfFigure => ({
  head: [columns.way, columns.count, columns.median, columns.all],
  rows: ways.map(({ way, count, median, seconds }) => [
    WAY_WORDS[way],
    countText(count),
    median === null ? '' : secondsText(median),
    seconds > 0 ? secondsText(seconds) : '',
  ]),
});

/** What of each way was missed. */
export const missesTable = ({ ways }: Tally): TableOfFigure => ({
  head: [columns.way, columns.count, columns.misses, columns.share],
  rows: ways.map(({ way, count, misses }) => [
    WAY_WORDS[way],
    countText(count),
    countText(misses),
    shareText(misses / count),
  ]),
});

/** How many minutes each application was in front, day by day. */
export const bandsTable = ({ bands }: Tally, names: Names): TableOfFigure => ({
  head: [columns.application, ...bands.map(({ day }) => weekdayText(day.start))],
  rows: [...new Set(bands.flatMap(({ stays }) => stays.map(({ application }) => application)))].map((id) => [
    names.application(id),
    ...bands.map(({ stays }) => {
      const own = stays.filter(({ application }) => application === id);
      return countText(own.reduce((sum, { from, to }) => sum + (to - from) / MINUTE_MS, 0));
    }),
  ]),
});

/** From where to where, the oftenest first. */
export const fromToTable = ({ fromTo: { applications, counts } }: Tally, names: Names): TableOfFigure => {
  const nameOf = (id: string | null | undefined) => (id ? names.application(id) : TALLY_TEXTS.others);
  const cells = counts.flatMap((row, from) => row.map((count, to) => ({ from, to, count })));
  return {
    head: [columns.from, columns.to, columns.count],
    rows: cells
      .filter(({ count }) => count > 0)
      .sort((a, b) => b.count - a.count)
      .map(({ from, to, count }) => [nameOf(applications[from]), nameOf(applications[to]), countText(count)]),
  };
};

/** Steps taken, and predicted. */
export const stepsTable = ({ steps: { counts, predicted } }: Tally): TableOfFigure => ({
  head: [columns.steps, TALLY_TEXTS.yours, TALLY_TEXTS.byLot],
  rows: counts.map((count, i) => [
    i + 1 === counts.length ? TALLY_TEXTS.more(i + 1) : `${i + 1}`,
    countText(count),
    countText(predicted[i] ?? 0),
  ]),
});

/** Time per switch by weeks. */
export const practiceTable = ({ weeks }: Tally): TableOfFigure => ({
  head: [columns.week, columns.count, columns.median],
  rows: weeks.map(({ start, count, median }) => [dayText(start), countText(count), secondsText(median)]),
});
