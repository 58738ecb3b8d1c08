<script lang="ts">
  import type { PreviewProps } from '../view';
  import Results from './Results.svelte';
  import { reckoner } from './reckoner.svelte';
  import { reckoned, underKeelIn } from './sums';
  import UnderKeel from './UnderKeel.svelte';

  /** Sums and what they come to, only to be looked at. */
  let { text }: PreviewProps = $props();
  $effect(() => reckoner.load());
  const sums = $derived(reckoner.evaluate && reckoned(text, reckoner.evaluate));
  const parts = $derived(sums && underKeelIn(sums));
</script>

<div class="flex size-full flex-col">
  <div class="flex min-h-0 flex-1 overflow-hidden font-mono text-[13px]/6">
    <pre class="flex-1 overflow-hidden px-3 py-2">{text}</pre>
    <Results lines={text.split('\n').length} {sums} />
  </div>
  {#if parts}<UnderKeel {parts} />{/if}
</div>
