import type { Manifest } from '../manifest';
import { radioLog, withPause } from './radio-log';

/** A log that grows by itself: CSV with the columns Time, From and Message, and Marked where something was. */
export const radioLogProgram: Manifest = {
  kind: 'radio-log',
  name: 'Radio',
  problem: (text) =>
    radioLog(text)
      ? null
      : 'This is no radio log: it does not begin with the columns Time, From and Message.',
  actions: [
    {
      id: 'pause',
      title: 'Pause the radio log, or let it go on',
      synonyms: ['stop listening', 'resume', 'hold the log'],
      run(text, now) {
        const paused = radioLog(text)?.paused ?? null;
        return paused === null
          ? { says: 'The log is paused', text: withPause(text, now) }
          : { says: 'The log goes on', text: withPause(text, null) };
      },
    },
  ],
};
