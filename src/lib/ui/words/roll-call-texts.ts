/** What the roll call says. */
import { durationText } from './times';
import { TEXTS } from './texts';

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
  keys: {
    go: 'go to it',
    end: 'end it now, drafts are kept',
    restart: 'restart it',
    close: 'back',
  },
  /** Said by itself when one stops answering. */
  fellSilent: (names: readonly string[], keys: string) =>
    `${names.join(', ')} ${names.length === 1 ? 'does' : 'do'} not answer. ${keys}: roll call.`,
} as const;
