<script lang="ts">
  import { KEY_MAP } from '../../core/keys/key-map';
  import { keyLabel } from '../../client/key-labels.svelte';
  import type { LegendEntry } from '../legends';
  import Key from './Key.svelte';

  let { entries }: { entries: readonly LegendEntry[] } = $props();
</script>

{#each entries as { keys, text } (text)}
  <span class="flex items-center gap-1 whitespace-nowrap">
    {#each keys as key (key)}<Key dark label={keyLabel(KEY_MAP[key].code)} />{/each}
    {text}
  </span>
{/each}
