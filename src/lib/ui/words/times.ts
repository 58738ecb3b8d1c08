/** Times in words. */
const MINUTE_MS = 60_000;
const UNITS = [
  ['day', 1_440],
  ['hour', 60],
  ['minute', 1],
] as const;

type Display = 'long' | 'short';
/** Made once: making one costs more than a hundred uses of it. */
const FORMATS = new Map(
  [...UNITS.map(([unit]) => unit), 'second'].flatMap((unit) =>
    (['long', 'short'] satisfies Display[]).map((unitDisplay): [string, Intl.NumberFormat] => [
      `${unit} ${unitDisplay}`,
      new Intl.NumberFormat('en-GB', { style: 'unit', unit, unitDisplay }),
    ]),
  ),
);

const clock = new Intl.DateTimeFormat('en-GB', {
  weekday: 'short',
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
});

/** A moment as the foot line has it: `Tue 24 Nov 06:12`. */
export const clockText = (moment: Date): string => clock.format(moment).replaceAll(',', '');

/**
 * How long ago an instant was, in full units of its largest: `5 minutes`, `1 hour`, `3 days`; `short`: `5 mins`, `1 hr`.
 * What lies ahead is 0 seconds ago.
 * @example durationText('2026-11-24T06:00:00.000Z', new Date('2026-11-24T07:59:00.000Z')) // '1 hour'
 */
export function durationText(from: string, to: Date, unitDisplay: Display = 'long'): string {
  const minutes = Math.max(0, to.getTime() - Date.parse(from)) / MINUTE_MS;
  const [unit, size] = UNITS.find(([, least]) => minutes >= least) ?? ['second', 1 / 60];
  const full = Math.floor(minutes / size);
  return FORMATS.get(`${unit} ${unitDisplay}`)?.format(full) ?? `${full}`;
}
