<script lang="ts">
  import type { Easel } from '../../core/capture/easel';
  import { EASEL_KEYS } from '../../core/capture/easel-keys';
  import Key from '../parts/Key.svelte';
  import { CAPTURE_TEXTS } from '../words/capture-texts';

  /** The keys that do something to what is being made, or to the mark that is chosen. */
  let { easel }: { easel: Easel } = $props();
  const { make, chosen, nothing } = CAPTURE_TEXTS.marking;
  const draft = $derived(easel.draft);
</script>

<p class="flex flex-wrap gap-x-4 gap-y-1 text-ink-soft">
  {#if draft}
    <span><Key label="← ↑ ↓ →" /> {draft.type === 'line' ? make.draw : make.move}</span>
    {#if draft.type !== 'number' && draft.type !== 'line'}<span
        ><Key label="Shift" /> <Key label="← ↑ ↓ →" /> {make.stretch}</span
      >{/if}
    <span><Key label="Ctrl" /> {make.fine}</span>
    <span><Key label="Enter" /> {draft.type === 'crop' ? make.cut : make.place}</span>
    <span><Key label="Esc" /> {make.giveUp}</span>
  {:else if easel.chosen !== null}
    <span><Key label="← ↑ ↓ →" /> {make.move}</span>
    <span><Key label="Del" /> {chosen.remove}</span>
    <span><Key code={EASEL_KEYS.choose} /> {chosen.other}</span>
    <span><Key label="Enter" /> {chosen.letGo}</span>
  {:else if easel.steps.past.length === 0}{nothing}{/if}
</p>
