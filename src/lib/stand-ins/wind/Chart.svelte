<script lang="ts">
  import { area, line } from 'd3-shape';
  import type { PreviewProps } from '../view';
  import { bearingOf, nthAt, windsFrom, type Wind } from './wind';

  interface Props extends PreviewProps {
    /** Which of the winds is looked at, counted from 0; absent for the one there is now. */
    readonly at?: number;
  }

  /** The wind of the day: its mean and gusts, and where it comes from. */
  let { document, text, day, at }: Props = $props();

  const WIDTH = 600;
  const HEIGHT = 300;
  const MARGIN = { top: 48, right: 28, bottom: 26, left: 54 };
  const KNOT_MARKS = [0, 10, 20, 30, 40];

  const winds = $derived(windsFrom(text));
  const nth = $derived(at ?? nthAt(winds, day.getHours() + day.getMinutes() / 60));
  const [from, to] = $derived([winds[0]?.hour ?? 0, winds.at(-1)?.hour ?? 24]);
  const highest = $derived(Math.max(40, ...winds.map(({ gusts }) => gusts)));
  const x = (hour: number) =>
    MARGIN.left + ((hour - from) / Math.max(1, to - from)) * (WIDTH - MARGIN.left - MARGIN.right);
  const y = (knots: number) =>
    HEIGHT - MARGIN.bottom - (knots / highest) * (HEIGHT - MARGIN.top - MARGIN.bottom);
  const mean = line<Wind>(
    ({ hour }) => x(hour),
    (wind) => y(wind.mean),
  );
  const gusts = area<Wind>(
    ({ hour }) => x(hour),
    (wind) => y(wind.mean),
    (wind) => y(wind.gusts),
  );
  const summary = $derived(
    winds
      .map(({ time, from: point, mean: knots, gusts: most }) => `${time} ${point} ${knots}, gusts ${most}`)
      .join('; '),
  );
</script>

<svg
  viewBox="0 0 {WIDTH} {HEIGHT}"
  class="block size-full"
  role="img"
  aria-label="{document.title}: {summary}"
>
  {#each KNOT_MARKS as knots (knots)}
    <line x1={MARGIN.left} x2={WIDTH - MARGIN.right} y1={y(knots)} y2={y(knots)} class="stroke-line-soft" />
    <text x={MARGIN.left - 6} y={y(knots) + 4} text-anchor="end" class="fill-ink-soft font-mono text-[12px]"
      >{knots} kn</text
    >
  {/each}
  <path d={gusts(winds)} class="fill-tide opacity-20" />
  <path d={mean(winds)} fill="none" stroke-width="2.5" class="stroke-tide" />
  {#each winds as wind, n (wind.time)}
    <!-- The arrow goes where the wind goes. -->
    <g
      transform="translate({x(wind.hour)} 22) rotate({(bearingOf(wind.from) ?? 0) + 180})"
      class="stroke-ink"
      fill="none"
      stroke-width="1.75"
    >
      <path d="M0 11 V-11 M-5 -5 L0 -11 L5 -5" />
    </g>
    <text x={x(wind.hour)} y={HEIGHT - 8} text-anchor="middle" class="fill-ink-soft font-mono text-[12px]"
      >{wind.time}</text
    >
    <circle
      cx={x(wind.hour)}
      cy={y(wind.mean)}
      r={n === nth ? 6 : 3.5}
      stroke-width={n === nth ? 2 : 0}
      class={n === nth ? 'fill-marigold stroke-ink' : 'fill-tide'}
    />
  {/each}
</svg>
