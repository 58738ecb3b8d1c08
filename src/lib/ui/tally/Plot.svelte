<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import type { Layout } from 'plotly.js-basic-dist-min';
  import type { Figure, Palette } from './figures';
  import { inTurn, loadPlotly } from './load-plotly';

  /** A figure, drawn. It says nothing to those who do not see it: the sentence and the table beside it do. */
  let { figure, palette, height }: { figure: Figure; palette: Palette; height: number } = $props();

  let host = $state<HTMLElement | null>(null);
  let drawn = $state(false);

  const common = ({ ink, line }: Palette): Partial<Layout> => ({
    height,
    margin: { l: 8, r: 8, t: 8, b: 8 },
    paper_bgcolor: 'transparent',
    plot_bgcolor: 'transparent',
    showlegend: false,
    dragmode: false,
    legend: { orientation: 'h', x: 1, xanchor: 'right', y: 1, yanchor: 'top', bgcolor: 'transparent' },
    font: { family: 'Atkinson Hyperlegible Next Variable, system-ui, sans-serif', size: 12, color: ink },
    hoverlabel: { font: { color: ink } },
    hovermode: 'closest',
    xaxis: { gridcolor: line, linecolor: ink, zeroline: false, fixedrange: true, automargin: true },
    yaxis: { gridcolor: line, zeroline: false, fixedrange: true, automargin: true },
  });

  async function draw(shown: Figure, colours: Palette) {
    const plotly = await loadPlotly();
    const rest = common(colours);
    const layout = {
      ...rest,
      ...shown.layout,
      xaxis: { ...rest.xaxis, showgrid: false, ...shown.layout.xaxis },
      yaxis: { ...rest.yaxis, ...shown.layout.yaxis },
    };
    // It may have gone while the package was loaded.
    if (!host) return;
    await plotly.react(host, shown.data, layout, { displayModeBar: false, responsive: true });
    drawn = true;
  }

  $effect(() => {
    const [shown, colours] = [figure, palette];
    // What has been asked for since is drawn instead.
    untrack(() => inTurn(async () => shown === figure && draw(shown, colours)));
  });
  onMount(() => {
    const element = host;
    return () => element && void loadPlotly().then((plotly) => plotly.purge(element));
  });
</script>

<div bind:this={host} aria-hidden="true" data-drawn={drawn} style:height="{height}px" class="w-full"></div>
