<script lang="ts">
  import { CAPTURE_TEXTS } from '../words/capture-texts';

  /** Says when a picture will be taken, at the edge, and is in none. */
  let { capture, says }: { capture: { readonly left: number | null }; says: string } = $props();
</script>

<div
  data-not-in-pictures
  role="timer"
  class="fixed bottom-10 left-1/2 z-60 flex -translate-x-1/2 items-center gap-3 border-l-[30px] border-bar bg-marigold px-4 py-2 text-on-marigold shadow-unfolded"
>
  {#if capture.left === 0}
    {CAPTURE_TEXTS.taking}
  {:else if capture.left !== null}
    <span class="font-mono text-3xl font-[650]">{capture.left}</span>
    <span class="text-[13px]">{says}</span>
  {/if}
</div>
