import type { Manifest } from '../manifest';
import { clockOf } from './clock';
import { constituentsFrom, nextWaters } from './tide';

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
        const high = nextWaters(constituentsFrom(text), now.getTime()).find((water) => water.high);
        if (!high) return 'There is no high water within the next day.';
        return `High water at ${clockOf(high.instant)}, ${high.height.toFixed(1)} m`;
      },
    },
  ],
};
