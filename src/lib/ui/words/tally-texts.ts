/** What the tally says: its headings, and a sentence for every figure. */
import { timeAfter } from '../../core/tally/practice';
import { HORIZON_WEEKS, type Policy } from '../../core/tally/advice';
import type { Tally } from '../../core/tally/tally';
import type { Way } from '../../core/tally/way';
import type { Period } from '../tally/periods';

const whole = new Intl.NumberFormat('en-GB', { maximumFractionDigits: 0 });
const tenth = new Intl.NumberFormat('en-GB', { minimumFractionDigits: 1, maximumFractionDigits: 1 });
const hundredth = new Intl.NumberFormat('en-GB', { minimumFractionDigits: 2, maximumFractionDigits: 2 });
const percent = new Intl.NumberFormat('en-GB', { style: 'percent', maximumFractionDigits: 0 });

/** A count, as `1,284`. */
export const countText = (count: number): string => whole.format(count);
/** A share, as `12%`. */
export const shareText = (share: number): string => percent.format(share);
/** A figure, as `1.25`. */
export const hundredthText = (value: number): string => hundredth.format(value);
/** Seconds, as `0.8 s`. */
export const secondsText = (seconds: number): string => `${tenth.format(seconds)} s`;
/** A stretch of time, in minutes, or in seconds where that says more. */
export const minutesText = (seconds: number): string =>
  seconds < 90
    ? `${whole.format(seconds)} ${seconds === 1 ? 'second' : 'seconds'}`
    : `${whole.format(seconds / 60)} ${Math.round(seconds / 60) === 1 ? 'minute' : 'minutes'}`;
const times = (count: number, one: string, many = `${one}s`): string =>
  `${countText(count)} ${count === 1 ? one : many}`;

/** What the ways are called. */
export const WAY_WORDS: Readonly<Record<Way, string>> = {
  step: 'Stepping by applications',
  'window-step': 'Stepping by windows',
  place: 'Places',
  shortcut: 'Shortcuts',
  search: 'Search',
  survey: 'Survey',
  pointer: 'Pointer',
  key: 'Other keys',
  other: 'Came by itself',
  page: 'By a program',
  host: 'Outside Key Fold',
};

/** What of a window would be the better way. */
const BETTER_WORDS: Readonly<Partial<Record<Way, string>>> = {
  place: 'Its place',
  shortcut: 'Its shortcut',
  step: 'Fewer steps',
  'window-step': 'Fewer steps',
};

/** The sentence on top: what these keys saved, and how sure that is. */
export function savedSentence({ timed, keySeconds, pointerSeconds, error }: Tally): string {
  if (timed === 0) return 'No switch by keys was timed here yet.';
  const saved = pointerSeconds - keySeconds;
  const about = `give or take ${minutesText(error)}`;
  const took = `${times(timed, 'switch', 'switches')} by keys took ${minutesText(keySeconds)}`;
  if (Math.abs(saved) <= error) return `${took}: about as long as by pointer, ${about}.`;
  return `${took}. That ${saved > 0 ? 'saved' : 'cost'} ${minutesText(Math.abs(saved))} against the pointer, ${about}.`;
}

/** What each figure says. */
export const FIGURE_SENTENCES = {
  bands({ bands }: Tally, nameOf: (application: string) => string): string {
    const longest = new Map<string, number>();
    for (const { stays } of bands)
      for (const { application, from, to } of stays)
        longest.set(application, (longest.get(application) ?? 0) + to - from);
    const [most] = [...longest].sort(([, a], [, b]) => b - a);
    if (!most) return 'Nothing was in front on these days.';
    const all = [...longest.values()].reduce((sum, ms) => sum + ms, 0);
    return `${nameOf(most[0])} was in front longest: ${shareText(most[1] / all)} of the time. Each piece shows what was there for most of five minutes.`;
  },
  fromTo({ fromTo, switches }: Tally, titleOf: (window: string) => string): string {
    const [pair] = fromTo.pairs;
    if (!pair) return 'Nobody went from one window to another.';
    const [a, b] = pair.windows;
    return `${titleOf(a)} and ${titleOf(b)} belong together: you went between them ${times(pair.count, 'time')}, ${shareText(pair.count / Math.max(1, switches))} of all switches.`;
  },
  steps({ steps: { counts, predicted } }: Tally): string {
    const all = counts.reduce((sum, count) => sum + count, 0);
    if (all === 0) return 'Nobody went from one application to another.';
    const mean = (values: readonly number[]) =>
      values.reduce((sum, value, i) => sum + value * (i + 1), 0) /
      values.reduce((sum, value) => sum + value, 0);
    const yours = mean(counts);
    const lot = mean(predicted);
    const nearer = yours < lot ? 'nearer than' : 'farther than';
    return `What you wanted was ${tenth.format(yours)} steps away in the mean: ${nearer} the ${tenth.format(lot)} of an order of recent use, were each drawn by lot as often as you use it.`;
  },
  practice({ law, weeks }: Tally): string {
    const [first] = weeks;
    const last = weeks.at(-1);
    if (!law || !first || !last) return 'Too few switches by keys for a curve yet: it takes ten.';
    const range = `${hundredth.format(law.low)} to ${hundredth.format(law.high)}`;
    if (law.low <= 0)
      return `${secondsText(first.median)} a switch in the first week, ${secondsText(last.median)} now. Practice does not show yet (exponent ${hundredth.format(law.exponent)}, ${range}).`;
    const next = timeAfter(law, 2 * last.n);
    return `${secondsText(first.median)} a switch in the first week, ${secondsText(last.median)} now: practice with the exponent ${hundredth.format(law.exponent)} (${range}). Twice as many, and it will be ${secondsText(next)}.`;
  },
  ways({ ways }: Tally): string {
    const [most] = ways.toSorted((a, b) => b.count - a.count);
    if (!most) return 'Nobody switched.';
    const all = ways.reduce((sum, { count }) => sum + count, 0);
    const [fastest] = ways
      .filter(({ median }) => median !== null)
      .sort((a, b) => (a.median ?? 0) - (b.median ?? 0));
    const fast = fastest?.median
      ? ` ${WAY_WORDS[fastest.way]} took least: ${secondsText(fastest.median)} in the middle.`
      : '';
    return `${WAY_WORDS[most.way]}: ${shareText(most.count / all)} of all switches.${fast}`;
  },
  misses({ ways, switches }: Tally): string {
    const missed = ways.reduce((sum, way) => sum + way.misses, 0);
    const [worst] = ways
      .filter(({ misses }) => misses > 0)
      .sort((a, b) => b.misses / b.count - a.misses / a.count);
    if (!worst) return 'No window was left again within two seconds.';
    return `${times(missed, 'window')} of ${countText(switches)} ${missed === 1 ? 'was' : 'were'} left again within two seconds; oftenest after ${WAY_WORDS[worst.way].toLowerCase()} (${shareText(worst.misses / worst.count)}).`;
  },
} as const;

/** What the advice on keys says. */
export const ADVICE_TEXTS = {
  title: 'Which key for what',
  none: 'No other place, and no shortcut, would save more than learning it costs.',
  hint: `By the model, over the whole record. Learning a key costs a look the first time, and less with each (as the power 0.4 of practice has it); what does not pay within ${HORIZON_WEEKS} weeks is left out. Nothing changes before you say so.`,
  place: (from: string | null) => (from === null ? 'has no place yet:' : `stands at ${from}:`),
  shortcut: 'A shortcut of its own',
  worth: ({ saves, relearning }: { readonly saves: number; readonly relearning: number }) => {
    const weeks = Math.ceil(relearning / saves);
    const within = weeks <= 1 ? 'the first week' : `${weeks} weeks`;
    return `would save ${minutesText(saves)} a week more than what is bound now; learning it costs about ${minutesText(relearning)}, made good within ${within}.`;
  },
  put: 'Put it there',
  bind: 'Bind',
  stands: (name: string, digit: string) => `${name} stands at ${digit}.`,
  undo: 'Undo the last change',
  undone: 'The places are as they were.',
  policiesOf: (switches: number) =>
    `The same ${times(switches, 'switch', 'switches')} to another application, by other orders: in the mean, by the model.`,
  columns: ['Order', 'Keys', 'Time'],
  policies: {
    recency: 'Recent use alone',
    frequency: 'A fixed list, the oftenest used first',
    places: 'The ten best places, always; else recent use',
    mixed: 'The ten best places or recent use, whichever is sooner',
    now: 'Your places or recent use, whichever is sooner',
  } satisfies Record<Policy, string>,
} as const;

/** Everything else that the tally says. */
export const TALLY_TEXTS = {
  title: 'Tally',
  reading: 'Reading what was recorded …',
  failed: 'What was recorded could not be read. Close the tally and open it again.',
  nothing: 'Nothing is recorded yet. Switch for a while, and look again.',
  off: 'Recording is off: nothing new comes in here.',
  about: 'What is recorded: the switch, how it came about, its keys counted, its time. Nothing you type.',
  invented: 'The weeks before this desk began are invented, so that there is something to see.',
  periods: { day: 'day', week: 'week', month: 'month', all: 'all' } satisfies Record<Period, string>,
  periodNames: {
    day: 'One day',
    week: 'Seven days',
    month: 'Thirty days',
    all: 'All that is recorded',
  } satisfies Record<Period, string>,
  earlier: 'earlier',
  later: 'later',
  asTables: 'as tables',
  asPictures: 'as pictures',
  recorded: 'what is recorded',
  back: 'back',
  figures: {
    ways: 'How you switched',
    bands: 'What was in front',
    fromTo: 'From where to where',
    steps: 'Steps to what you wanted',
    practice: 'Time per switch, week by week',
    misses: 'Misses',
  },
  others: 'others',
  yours: 'yours',
  byLot: 'by lot',
  columns: {
    way: 'Way',
    count: 'Switches',
    median: 'Time in the middle',
    all: 'Time of all',
    misses: 'Misses',
    share: 'Share',
    day: 'Day',
    application: 'Application',
    minutes: 'Minutes',
    from: 'From',
    to: 'To',
    steps: 'Steps',
    week: 'Week from',
  },
  more: (steps: number) => `${steps} and more`,
  pointer: {
    title: 'Against the pointer',
    hint: 'Seconds, as the keystroke-level model has them; change what is different with you.',
    operators: {
      homing: 'Hand to the pointer, and back',
      pointing: 'Pointing',
      key: 'A key or a button',
      mental: 'A look before going on',
    },
    published: 'As published',
    total: (keys: number, pointer: number) =>
      `The same switches: ${minutesText(keys)} by keys, ${minutesText(pointer)} by pointer.`,
    sum: (seconds: number) =>
      `A switch by pointer: hand, pointing, button, hand: ${hundredth.format(seconds)} s. The model is off by about a fifth.`,
  },
  habits: {
    title: 'Habits worth most',
    none: 'No window was reached by more keys than it takes often enough to speak of.',
    hint: 'By the model, a week. What is bound is as it is now; a new key has to be learned first, which costs a look each of the first ten times or so.',
    line: (times: number, way: Way) =>
      `${countText(times)} times a week, mostly by ${WAY_WORDS[way].toLowerCase()}`,
    better: (way: Way, seconds: number) =>
      `${BETTER_WORDS[way] ?? WAY_WORDS[way]} would save ${minutesText(seconds)}.`,
    bound: (seconds: number) => `A shortcut of its own would save ${minutesText(seconds)}.`,
    practise: 'Practise',
    bind: 'Bind',
    gone: 'closed by now',
  },
  record: {
    title: 'What is recorded',
    hint: 'Each line is one change of the window in front, just as it is stored. No titles, no text, no keys by name.',
    on: 'Record switches',
    onHint: 'Off: nothing is written down from now on. What is there stays until you forget it.',
    of: (day: string, count: number) => `${day}: ${times(count, 'line')}`,
    none: 'Nothing was recorded on this day.',
    export: 'Export all',
    exports: { csv: 'CSV', jsonl: 'JSON Lines' },
    forget: 'Forget',
    spans: { day: 'this day', all: 'everything' },
    sure: (what: string) => `Forget ${what}? That cannot be undone.`,
    yes: 'Forget it',
    no: 'Keep it',
    forgotten: (count: number) => `${times(count, 'line')} forgotten.`,
    notForgotten: 'It was not forgotten: the server cannot be reached. Try again.',
    earlierLines: 'Earlier lines',
    keptElsewhere:
      'The log of the desk itself keeps what happened to its windows for thirty days, so that everything can be put back; it knows nothing of keys and times.',
  },
} as const;
