import type { Manifest } from '../manifest';
import { forceText, nthAt, windsFrom } from './wind';

/** CSV with a header and the columns Time, From, Mean, Gusts (knots) and Sea. */
export const wind: Manifest = {
  kind: 'wind',
  name: 'Wind',
  problem: (text) =>
    windsFrom(text).length === 0
      ? 'This is no record of the wind: no line has a time, where it comes from, and its speed in knots.'
      : null,
  actions: [
    {
      id: 'now',
      title: 'The wind now',
      synonyms: ['how strong', 'beaufort', 'gusts'],
      run(text, now) {
        const winds = windsFrom(text);
        const wind = winds[nthAt(winds, now.getHours() + now.getMinutes() / 60)];
        if (!wind) return 'No wind was written down.';
        return `${wind.from} ${wind.mean} knots, gusts ${wind.gusts}: force ${forceText(wind.mean)}`;
      },
    },
  ],
};
