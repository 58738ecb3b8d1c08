/** What the drill says. */
import type { Outcome } from '../../core/drill/schedule';
import { digitOfSkill, type Skill } from '../../core/drill/skills';
import type { PowerLaw } from '../../core/tally/practice';
import { countText, hundredthText, secondsText } from './tally-texts';

const SKILL_WORDS: Readonly<Partial<Record<Skill, string>>> = {
  flip: 'Back to the window before',
  steps: 'Stepping farther',
  'window-step': 'Another window of the same application',
  search: 'Search',
  'put-away': 'Putting three windows away',
  'end-hung': 'Ending what hangs',
};

/** What a skill is called. */
export function skillWords(skill: Skill): string {
  const digit = digitOfSkill(skill);
  return digit === null ? (SKILL_WORDS[skill] ?? skill) : `Place ${digit}`;
}

const times = (count: number, one: string, many = `${one}s`) =>
  `${countText(count)} ${count === 1 ? one : many}`;

/** The texts of the drill. */
export const DRILL_TEXTS = {
  title: 'Drill',
  hint: 'A minute at a practice desk: one task after the other, by keys. What goes wrong comes again soon, what goes well later. Your own desk is not touched, and nothing of it is recorded.',
  none: 'No round yet.',
  start: 'Begin a round',
  again: 'Another round',
  holding: { true: 'Keys are held', false: 'No key is held: the switcher stays, and Enter accepts' },
  level: 'hold keys, or not',
  back: 'back to the desk',
  stop: 'stop',
  notKept: 'This round cannot be kept: the browser’s storage is full.',
  notHere: 'Not at the practice desk.',
  result: (tasks: number, missed: number, median: number | null) =>
    tasks === 0
      ? 'No task was done in this round.'
      : `${times(tasks, 'task')} done, ${missed === 0 ? 'none missed' : `${missed} missed`}${median === null ? '' : `; ${secondsText(median)} in the middle`}.`,
  tasks: {
    flip: (window: string) => `Back to ${window}, which you used before`,
    steps: (window: string) => `By stepping: to ${window}`,
    'window-step': (window: string) => `By a window step: to ${window}`,
    search: (window: string) => `By search: to ${window}`,
    place: (window: string, application: string) => `By its place: to ${application}, ${window}`,
    'put-away': (windows: readonly string[]) => `Put these away: ${windows.join(', ')}`,
    end: (application: string) => `${application} does not answer: end it now`,
  },
  help: 'These keys do it:',
  left: (seconds: number) => `${seconds} s`,
  done: (count: number) => `${count} done`,
  outcomes: {
    missed: 'missed',
    slow: 'slow',
    good: 'good',
    quick: 'quick',
  } satisfies Record<Outcome, string>,
  columns: ['Keys', 'Tries', 'Missed', 'In the middle', 'Comes again'],
  due: {
    now: 'now',
    new: 'new',
    minutes: (count: number) => `in ${times(count, 'minute')}`,
    hours: (count: number) => `in ${times(count, 'hour')}`,
    days: (count: number) => `in ${times(count, 'day')}`,
  },
  skills: 'How each goes',
  curve: 'Your curve',
  curveColumns: ['Round', 'Tasks', 'Missed', 'In the middle'],
  curveSentence(rounds: number, first: number | null, last: number | null, law: PowerLaw | null): string {
    if (first === null || last === null) return 'Nothing was done without a miss yet.';
    if (rounds === 1)
      return `${secondsText(last)} a task in the first round. The curve begins with the second.`;
    const both = `${secondsText(first)} a task in the first round, ${secondsText(last)} in the last of ${countText(rounds)}`;
    if (!law) return `${both}. It takes ten rounds for a law.`;
    const range = `${hundredthText(law.low)} to ${hundredthText(law.high)}`;
    return `${both}: practice with the exponent ${hundredthText(law.exponent)} (${range}).`;
  },
} as const;
