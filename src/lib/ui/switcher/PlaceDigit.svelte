<script lang="ts">
  import type { Digit } from '../../core/slices/places/state';
  import Key from '../parts/Key.svelte';

  /** The digit of a row's place, in a cut at the edge; nothing for what has no place. */
  let { digit }: { digit: Digit | null } = $props();
</script>

<span class="flex h-full items-center">
  {#if digit !== null}
    <span class="flex h-6 items-center rounded-r-md border border-l-0 border-line bg-paper-high pr-1.5 pl-2"
      ><Key label={digit} /></span
    >
  {/if}
</span>
