<script lang="ts">
  import { legendOfMode } from '../../core/actions/views/legend';
  import { deskHere } from '../desk/desk.svelte';
  import Key from '../parts/Key.svelte';
  import { capsTogether } from '../parts/key-names';

  /** What the keys do while the index is walked, a window is placed, or all are surveyed. */
  let { mode }: { mode: 'index' | 'placing' | 'survey' } = $props();

  const desk = deskHere();
  const entries = $derived(legendOfMode(desk.registry, desk.keys, desk.session, mode));
</script>

{#each entries as { keys, text } (text)}
  <span class="flex items-center gap-1 whitespace-nowrap">
    {#each capsTogether(keys) as label, nth (nth)}<Key dark {label} />{/each}
    {text}
  </span>
{/each}
