<script lang="ts">
  import Strip from '../Strip.svelte';
  import { TIDE_TEXTS } from '../texts';
  import type { ViewProps } from '../view';
  import { clockOf, dayOf } from './clock';
  import Curve from './Curve.svelte';
  import { lookedAt } from './look';
  import { constituentsFrom, heightAt, meanLevel, nextWaters } from './tide';

  /** The tide, with an instant one looks at: now, until a key leads it elsewhere. */
  let { document, text, day }: ViewProps = $props();

  const constituents = $derived(constituentsFrom(text));
  let led = $state<number | null>(null);
  const at = $derived(led ?? day.getTime());
  let fromMean = $state(false);

  const datum = $derived(fromMean ? meanLevel(constituents) : 0);
  const metres = (height: number) => `${(height - datum).toFixed(1)} m`;
  const waters = $derived(nextWaters(constituents, at));
  const says = $derived(
    [
      `${dayOf(at)} ${clockOf(at)}`,
      TIDE_TEXTS.height(metres(heightAt(constituents, at)), waters[0]?.high ?? false),
      ...waters.map(({ high, instant, height }) => TIDE_TEXTS.water(high, clockOf(instant), metres(height))),
    ].join(' · '),
  );

  function key(event: KeyboardEvent) {
    if (event.ctrlKey || event.altKey || event.metaKey) return;
    if (event.key === 'Home') led = null;
    else if (event.key.toLowerCase() === 'd') fromMean = !fromMean;
    else {
      const to = lookedAt(constituents, at, event.key);
      if (to === null) return;
      led = to;
    }
    event.preventDefault();
  }
</script>

<div class="flex size-full flex-col">
  <div
    role="slider"
    tabindex="0"
    data-takes-focus
    aria-label={TIDE_TEXTS.cursor(document.title)}
    aria-valuenow={at}
    aria-valuetext={says}
    class="min-h-0 flex-1 -outline-offset-2"
    onkeydown={key}
  >
    <Curve {document} {text} {day} {at} {fromMean} />
  </div>
  <Strip {says}>
    <button type="button" class="strip-button" aria-pressed={fromMean} onclick={() => (fromMean = !fromMean)}
      >{fromMean ? TIDE_TEXTS.mean : TIDE_TEXTS.chart}</button
    >
    {#if led !== null}
      <button type="button" class="strip-button" onclick={() => (led = null)}>{TIDE_TEXTS.now}</button>
    {/if}
  </Strip>
</div>
