<script lang="ts">
  import { deskHere } from '../desk/desk.svelte';
  import Key from '../parts/Key.svelte';
  import { COACH_TEXTS } from '../words/coach-texts';
  import type { Advice } from './coach.svelte';
  import { routeCaps } from './route-caps';

  /** The keys that would have done. */
  let { advice }: { advice: Advice } = $props();
  const desk = deskHere();
  const caps = $derived(routeCaps(advice.route, desk.session, desk.keys));
</script>

<span class="flex h-6 shrink-0 items-center gap-1.5 border border-marigold px-2">
  {COACH_TEXTS.next}
  <span class="inline-flex gap-1">
    {#each caps as label, nth (nth)}<Key dark {label} />{/each}
  </span>
</span>
