<script lang="ts">
  import { curveLaw, type DrillRecord } from '../../core/drill/record';
  import { roundsFigure } from '../tally/figures';
  import { paletteOf } from '../tally/palette';
  import Pane from '../tally/Pane.svelte';
  import { countText, secondsText } from '../words/tally-texts';
  import { DRILL_TEXTS } from '../words/drill-texts';

  /** One's own curve: the time per task, round by round. */
  let { record }: { record: DrillRecord } = $props();

  const rounds = $derived(record.rounds.filter(({ median }) => median !== null));
  const law = $derived(curveLaw(record));
</script>

{#if record.rounds.length === 0}
  <section aria-label={DRILL_TEXTS.curve} class="border-t-2 border-ink pt-1.5">
    <h2 class="font-[650]">{DRILL_TEXTS.curve}</h2>
    <p class="text-[13px]/4 text-ink-soft">{DRILL_TEXTS.none}</p>
  </section>
{:else}
  {@const palette = paletteOf([])}
  <Pane
    title={DRILL_TEXTS.curve}
    sentence={DRILL_TEXTS.curveSentence(
      rounds.length,
      rounds[0]?.median ?? null,
      rounds.at(-1)?.median ?? null,
      law,
    )}
    figure={roundsFigure(rounds, law, palette)}
    {palette}
    asTable={false}
    table={{
      head: DRILL_TEXTS.curveColumns,
      rows: record.rounds.map(({ tasks, missed, median }, nth) => [
        countText(nth + 1),
        countText(tasks),
        countText(missed),
        median === null ? '' : secondsText(median),
      ]),
    }}
  />
{/if}
