/** What the roll call says. */
import type { ProgramUse } from '../../core/display/processes';
import { durationText } from './times';
import { TEXTS } from './texts';

const percent = new Intl.NumberFormat('en-GB', { style: 'percent', maximumFractionDigits: 0 });
const megabytes = new Intl.NumberFormat('en-GB', {
  style: 'unit',
  unit: 'megabyte',
  maximumFractionDigits: 0,
});

/** The texts of the roll call. */
export const ROLL_CALL_TEXTS = {
  title: 'Roll call',
  summary: (present: number, silent: number) =>
    silent === 0
      ? `${present} run, and all answer.`
      : `${present} run; ${silent === 1 ? 'one does' : `${silent} do`} not answer.`,
  nobody: 'Nothing runs.',
  silent: 'does not answer',
  silentFor: (since: string, now: Date) => `has not answered for ${durationText(since, now)}`,
  answers: 'answers',
  windows: (count: number, minimised: number) =>
    minimised === 0 ? TEXTS.windows(count) : `${TEXTS.windows(count)}, ${minimised} minimised`,
  usedAgo: (at: string, now: Date) => `used ${durationText(at, now)} ago`,
  neverUsed: 'never used',
  /** What a program uses: a share of one processor, of several beyond 100 %. */
  use: ({ processor, memory, since }: ProgramUse, now: Date) =>
    `${percent.format(processor)} of a processor, ${megabytes.format(memory / 1_000_000)}, runs for ${durationText(since, now)}`,
  keys: {
    go: 'go to it',
    end: 'end it now, drafts are kept',
    endLive: 'end it now, what is not saved is lost',
    restart: 'restart it',
    close: 'back',
  },
  /** Said by itself when one stops answering. */
  fellSilent: (names: readonly string[], keys: string) =>
    `${names.join(', ')} ${names.length === 1 ? 'does' : 'do'} not answer. ${keys}: roll call.`,
} as const;
