<script lang="ts">
  import { legendOfIndex } from '../../core/actions/views/legend';
  import { deskHere } from '../desk/desk.svelte';
  import Key from '../parts/Key.svelte';
  import { capsOf } from '../parts/key-names';

  /** What the keys do while the index is walked. */
  const desk = deskHere();
  const entries = $derived(legendOfIndex(desk.registry, desk.keys, desk.session));
</script>

{#each entries as { keys, text } (text)}
  <span class="flex items-center gap-1 whitespace-nowrap">
    {#each keys as bound, nth (nth)}
      {#each capsOf(bound) as label (label)}<Key dark {label} />{/each}
    {/each}
    {text}
  </span>
{/each}
