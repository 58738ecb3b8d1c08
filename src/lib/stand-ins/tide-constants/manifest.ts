import type { Manifest } from '../manifest';
import { constituentsFrom, tideCurve, turnings } from './tide';

const HOUR_MS = 3_600_000;
/** The next high water is never further away than this, in hours, even where there is one tide a day. */
const LONGEST_WAIT = 30;
const clock = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });

/** CSV with a header and the columns constituent, amplitude in metres and phase in degrees. */
export const tideConstants: Manifest = {
  kind: 'tide-constants',
  name: 'Tide',
  problem: (text) =>
    constituentsFrom(text).length === 0
      ? 'These are no tide constants: no line names a constituent that is known, with its amplitude and phase.'
      : null,
  actions: [
    {
      id: 'next-high-water',
      title: 'Next high water',
      synonyms: ['tide', 'when is high water', 'flood'],
      run(text, now) {
        const curve = tideCurve(constituentsFrom(text), now.getTime(), LONGEST_WAIT);
        const high = turnings(curve).find((water) => water.high);
        if (!high) return 'There is no high water within the next day.';
        const at = new Date(now.getTime() + high.hour * HOUR_MS);
        return `High water at ${clock.format(at)}, ${high.height.toFixed(1)} m`;
      },
    },
  ],
};
