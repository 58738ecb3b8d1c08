/** The figures of the tally as Plotly draws them: what is drawn where, and nothing that is decided. */
import type { Data, Layout, PlotData } from 'plotly.js-basic-dist-min';
import type { PastRound } from '../../core/drill/record';
import { timeAfter, type PowerLaw } from '../../core/tally/practice';
import type { Tally } from '../../core/tally/tally';
import { TALLY_TEXTS, WAY_WORDS } from '../words/tally-texts';

/** A figure: its traces, and what its axes are like. */
export interface Figure {
  readonly data: Data[];
  /** The types of the package leave `uniformtext` out. */
  readonly layout: Partial<Layout> & {
    readonly uniformtext?: { readonly mode: 'hide'; readonly minsize: number };
  };
}

/** The colours of the page as they are now. */
export interface Palette {
  readonly ink: string;
  readonly soft: string;
  readonly line: string;
  readonly paper: string;
  readonly tide: string;
  readonly marigold: string;
  /** The spine of an application. */
  readonly spine: (application: string) => string;
}

/** How things are called. */
export interface Names {
  readonly application: (id: string) => string;
  readonly monogram: (id: string) => string;
}

const HOUR_MS = 3_600_000;
const weekday = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric' });
const day = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short' });

/** A day, as `Mon 23`. */
export const weekdayText = (ms: number): string => weekday.format(ms);
/** A day, as `23 Nov`. */
export const dayText = (ms: number): string => day.format(ms);

/** Pieces narrower than this, in hours, bear no monogram: it would not fit. */
const LETTERED_HOURS = 0.3;

/** A band a day of what was in front. */
export function bandsFigure({ bands }: Tally, palette: Palette, names: Names): Figure {
  const pieces = bands.flatMap(({ day: { start }, stays }) =>
    stays.map(({ application, from, to }) => ({
      application,
      day: weekdayText(start),
      base: (from - start) / HOUR_MS,
      hours: (to - from) / HOUR_MS,
    })),
  );
  const first = Math.min(...pieces.map(({ base }) => base), 24);
  const last = Math.max(...pieces.map(({ base, hours }) => base + hours), 0);
  // The types of the package leave some of these out.
  const bars: Partial<PlotData> & Readonly<Record<string, unknown>> = {
    type: 'bar',
    orientation: 'h',
    y: pieces.map((piece) => piece.day),
    x: pieces.map(({ hours }) => hours),
    base: pieces.map(({ base }) => base),
    text: pieces.map(({ application, hours }) => (hours < LETTERED_HOURS ? '' : names.monogram(application))),
    textposition: 'inside',
    insidetextanchor: 'middle',
    textangle: 0,
    insidetextfont: { color: '#fff', size: 11 },
    constraintext: 'inside',
    marker: {
      color: pieces.map(({ application }) => palette.spine(application)),
      line: { color: palette.paper, width: 1 },
    },
    hovertext: pieces.map(({ application }) => names.application(application)),
    hovertemplate: '%{hovertext}<extra></extra>',
  };
  return {
    data: [bars],
    layout: {
      bargap: 0.25,
      // A monogram that does not fit its piece is left out.
      uniformtext: { mode: 'hide', minsize: 11 },
      yaxis: {
        categoryorder: 'array',
        categoryarray: bands.map(({ day: { start } }) => weekdayText(start)),
        // All of the days, the first one on top.
        range: [bands.length - 0.5, -0.5],
        ticksuffix: ' ',
      },
      xaxis: {
        range: first < last ? [Math.floor(first), Math.ceil(last)] : [0, 24],
        ticksuffix: ':00',
        dtick: last - first > 12 ? 3 : last - first > 5 ? 2 : 1,
        showgrid: true,
      },
    },
  };
}

/** Steps: bars for those taken, rings for what an order of recent use predicts. */
export function stepsFigure({ steps: { counts, predicted } }: Tally, palette: Palette): Figure {
  const labels = counts.map((_, i) => (i + 1 === counts.length ? TALLY_TEXTS.more(i + 1) : `${i + 1}`));
  return {
    data: [
      { type: 'bar', x: labels, y: [...counts], name: TALLY_TEXTS.yours, marker: { color: palette.tide } },
      {
        type: 'scatter',
        mode: 'markers',
        x: labels,
        y: [...predicted],
        name: TALLY_TEXTS.byLot,
        marker: {
          symbol: 'circle',
          size: 11,
          color: palette.paper,
          line: { color: palette.ink, width: 2.5 },
        },
        hovertemplate: '%{y:.0f}',
      },
    ],
    layout: { bargap: 0.35, showlegend: true, xaxis: { type: 'category' } },
  };
}

/** The largest square of the table of from where to where, in px. */
const SQUARE = 21;

/** From where to where: a square a pair, as large as they are often. */
export function fromToFigure(
  { fromTo: { applications, counts } }: Tally,
  palette: Palette,
  names: Names,
): Figure {
  const labels = applications.map((id) => (id === null ? TALLY_TEXTS.others : names.monogram(id)));
  const full = applications.map((id) => (id === null ? TALLY_TEXTS.others : names.application(id)));
  const most = Math.max(1, ...counts.flat());
  const cells = counts.flatMap((row, from) =>
    row.map((count, to) => ({ from, to, count })).filter(({ count }) => count > 0),
  );
  return {
    data: [
      {
        type: 'scatter',
        mode: 'text+markers',
        x: cells.map(({ to }) => labels[to] ?? ''),
        y: cells.map(({ from }) => labels[from] ?? ''),
        text: cells.map(({ count }) => (Math.sqrt(count / most) > 0.7 ? `${count}` : '')),
        textfont: { color: palette.paper, size: 11 },
        marker: {
          symbol: 'square',
          color: palette.tide,
          size: cells.map(({ count }) => Math.max(3, SQUARE * Math.sqrt(count / most))),
          opacity: 1,
          line: { width: 0 },
        },
        hovertext: cells.map(({ from, to, count }) => `${full[from] ?? ''} → ${full[to] ?? ''}: ${count}`),
        hovertemplate: '%{hovertext}<extra></extra>',
      },
    ],
    layout: {
      xaxis: { type: 'category', categoryorder: 'array', categoryarray: labels, side: 'top', showgrid: true },
      yaxis: {
        type: 'category',
        categoryorder: 'array',
        categoryarray: labels,
        autorange: 'reversed',
        ticksuffix: ' ',
      },
    },
  };
}

/** Times as dots, and the law of practice through them. */
function practised(
  x: readonly (string | number)[],
  times: readonly (number | null)[],
  law: readonly number[] | null,
  palette: Palette,
): Data[] {
  const dots: Data = {
    type: 'scatter',
    mode: 'markers',
    x: [...x],
    y: [...times],
    marker: { color: palette.tide, size: 10 },
    hovertemplate: '%{y:.2f} s<extra></extra>',
  };
  if (!law) return [dots];
  const line = { color: palette.ink, width: 2, shape: 'spline' } as const;
  return [{ type: 'scatter', mode: 'lines', x: [...x], y: [...law], line, hoverinfo: 'skip' }, dots];
}

/** The time of a switch week by week, and the law of practice through it. */
export function practiceFigure({ weeks, law }: Tally, palette: Palette): Figure {
  const x = weeks.map(({ start }) => dayText(start));
  const times = weeks.map(({ median }) => median);
  const curve = law && weeks.map(({ n }) => timeAfter(law, n));
  return {
    data: practised(x, times, curve, palette),
    layout: { xaxis: { type: 'category' }, yaxis: { rangemode: 'tozero', ticksuffix: ' s ' } },
  };
}

/** Rounds between two marks of the axis, if there are about as many marks. */
const MARKS = 12;

/** The time per task of each round of the drill, and the law through them. */
export function roundsFigure(rounds: readonly PastRound[], law: PowerLaw | null, palette: Palette): Figure {
  const x = rounds.map((_, nth) => nth + 1);
  const times = rounds.map(({ median }) => median);
  return {
    data: practised(x, times, law && x.map((n) => timeAfter(law, n)), palette),
    layout: {
      xaxis: { dtick: Math.ceil(rounds.length / MARKS) },
      yaxis: { rangemode: 'tozero', ticksuffix: ' s ' },
    },
  };
}

/** How often each way, and what of it was missed. */
export function waysFigure({ ways }: Tally, palette: Palette): Figure {
  const sorted = ways.toSorted((a, b) => a.count - b.count);
  const labels = sorted.map(({ way }) => WAY_WORDS[way]);
  return {
    data: [
      {
        type: 'bar',
        orientation: 'h',
        y: labels,
        x: sorted.map(({ count }) => count),
        marker: { color: palette.tide },
        text: sorted.map(({ count, median }) =>
          median === null ? `${count}` : `${count} · ${median.toFixed(1)} s`,
        ),
        textposition: 'auto',
        hoverinfo: 'skip',
      },
    ],
    layout: { yaxis: { ticksuffix: ' ', showgrid: false }, bargap: 0.3 },
  };
}

/** The share of each way that was missed. */
export function missesFigure({ ways }: Tally, palette: Palette): Figure {
  const sorted = ways.toSorted((a, b) => a.misses / a.count - b.misses / b.count);
  return {
    data: [
      {
        type: 'bar',
        orientation: 'h',
        y: sorted.map(({ way }) => WAY_WORDS[way]),
        x: sorted.map(({ misses, count }) => misses / count),
        marker: { color: palette.tide },
        text: sorted.map(({ misses, count }) => `${misses} of ${count}`),
        textposition: 'auto',
        hoverinfo: 'skip',
      },
    ],
    layout: {
      yaxis: { ticksuffix: ' ', showgrid: false },
      xaxis: { tickformat: '.0%', rangemode: 'tozero' },
      bargap: 0.3,
    },
  };
}
