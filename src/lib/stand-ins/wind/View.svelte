<script lang="ts">
  import Strip from '../Strip.svelte';
  import { WIND_TEXTS } from '../texts';
  import type { ViewProps } from '../view';
  import Chart from './Chart.svelte';
  import { forceText, nthAt, windsFrom } from './wind';

  /** The wind of the day; arrows lead along it. */
  let { document, text, day }: ViewProps = $props();

  const winds = $derived(windsFrom(text));
  const now = $derived(nthAt(winds, day.getHours() + day.getMinutes() / 60));
  let led = $state<number | null>(null);
  const at = $derived(Math.min(led ?? now, winds.length - 1));
  const says = $derived.by(() => {
    const wind = winds[at];
    return wind ? WIND_TEXTS.at(wind, forceText(wind.mean)) : '';
  });

  function key({ key: pressed }: KeyboardEvent) {
    if (pressed === 'ArrowRight') led = Math.min(at + 1, winds.length - 1);
    else if (pressed === 'ArrowLeft') led = Math.max(at - 1, 0);
    else if (pressed === 'Home') led = null;
  }
</script>

<div class="flex size-full flex-col">
  <div
    role="slider"
    tabindex="0"
    data-takes-focus
    aria-label={document.title}
    aria-valuemin="0"
    aria-valuemax={winds.length - 1}
    aria-valuenow={at}
    aria-valuetext={says}
    class="min-h-0 flex-1 -outline-offset-2"
    onkeydown={key}
  >
    <Chart {document} {text} {day} {at} />
  </div>
  <Strip {says} />
</div>
