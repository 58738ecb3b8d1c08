<script lang="ts">
  import { line } from 'd3-shape';
  import type { PreviewProps } from '../view';
  import { clockOf } from './clock';
  import { constituentsFrom, heightAt, meanLevel, tideCurve, turnings, type Height } from './tide';

  interface Props extends PreviewProps {
    /** The instant that is looked at, in ms; absent where nothing is. */
    readonly at?: number;
    /** Whether heights are counted from the mean level, not from chart datum. */
    readonly fromMean?: boolean;
  }

  /** The tide of a day, from midnight to midnight. */
  let { document, text, day, at, fromMean = false }: Props = $props();

  const WIDTH = 600;
  const HEIGHT = 300;
  const MARGIN = { top: 26, right: 14, bottom: 26, left: 36 };
  const HOURS = 24;
  const HOUR_MS = 3_600_000;
  const HOUR_MARKS = [0, 6, 12, 18, 24];
  const METRE_MARKS = [0, 2, 4, 6];
  /** Half the width of a label at a turning of the tide. */
  const LABEL_REACH = 42;

  const HIGHEST = 6;
  const x = (hour: number) => MARGIN.left + (hour / HOURS) * (WIDTH - MARGIN.left - MARGIN.right);
  const y = (metres: number) =>
    HEIGHT - MARGIN.bottom - (metres / HIGHEST) * (HEIGHT - MARGIN.top - MARGIN.bottom);
  const path = line<Height>(
    (point) => x(point.hour),
    (point) => y(point.height),
  );

  /** Where a label at an hour is centred so that it stays clear of the edges. */
  const labelX = (hour: number) =>
    Math.min(Math.max(x(hour), MARGIN.left + LABEL_REACH), WIDTH - LABEL_REACH);

  const constituents = $derived(constituentsFrom(text));
  const datum = $derived(fromMean ? meanLevel(constituents) : 0);
  const midnight = $derived(new Date(at ?? day).setHours(0, 0, 0, 0));
  const curve = $derived(tideCurve(constituents, midnight, HOURS));
  const waters = $derived(turnings(curve));
  const clock = (hour: number) => clockOf(midnight + hour * HOUR_MS);
  /** The lines are at whole metres, from whatever they are counted. */
  const offset = $derived(datum - Math.round(datum));
  const metres = (height: number) => `${(height - datum).toFixed(1)} m`;
  const hourOf = (instant: number) => (instant - midnight) / HOUR_MS;
  const summary = $derived(
    waters
      .map(({ high, hour, height }) => `${high ? 'high' : 'low'} water ${clock(hour)}, ${metres(height)}`)
      .join('; '),
  );
</script>

<svg
  viewBox="0 0 {WIDTH} {HEIGHT}"
  class="block size-full"
  role="img"
  aria-label="Tide at {document.title}: {summary}"
>
  {#each METRE_MARKS as metre (metre)}
    <line
      x1={MARGIN.left}
      x2={WIDTH - MARGIN.right}
      y1={y(metre + offset)}
      y2={y(metre + offset)}
      class="stroke-line-soft"
    />
    <text
      x={MARGIN.left - 6}
      y={y(metre + offset) + 4}
      text-anchor="end"
      class="fill-ink-soft font-mono text-[12px]">{metre - Math.round(datum)} m</text
    >
  {/each}
  {#each HOUR_MARKS as hour (hour)}
    <text
      x={x(hour)}
      y={HEIGHT - 8}
      text-anchor={hour === HOURS ? 'end' : 'middle'}
      class="fill-ink-soft font-mono text-[12px]">{hour}:00</text
    >
  {/each}
  <path d={path(curve)} fill="none" stroke-width="2.5" class="stroke-tide" />
  {#each waters as { hour, height, high } (hour)}
    <circle cx={x(hour)} cy={y(height)} r="3.5" class="fill-tide" />
    <text
      x={labelX(hour)}
      y={y(height) + (high ? -9 : 19)}
      text-anchor="middle"
      class="fill-ink text-[12.5px]"
    >
      {clock(hour)} · {metres(height)}
    </text>
  {/each}
  {#if at !== undefined}
    {@const height = heightAt(constituents, at)}
    <line
      x1={x(hourOf(at))}
      x2={x(hourOf(at))}
      y1={MARGIN.top}
      y2={HEIGHT - MARGIN.bottom}
      stroke-width="1.5"
      class="stroke-ink"
    />
    <circle cx={x(hourOf(at))} cy={y(height)} r="5" stroke-width="2" class="fill-marigold stroke-ink" />
  {/if}
</svg>
