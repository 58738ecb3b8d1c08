<script lang="ts">
  import { holdKeyOf } from '../../core/slices/settings/state';
  import { deskHere } from '../desk/desk.svelte';
  import Key from './Key.svelte';

  /** The keys of an action that is done while holding, in the order in which they go down. */
  let {
    action,
    argument = null,
    dark = false,
  }: { action: string; argument?: string | null; dark?: boolean } = $props();

  const desk = deskHere();
  const at = $derived(desk.keys.chordOf({ action, argument }));
</script>

{#if at}
  <span class="inline-flex gap-1">
    <Key {dark} label={holdKeyOf(desk.session.settings)} />
    {#if at.shift}<Key {dark} label="Shift" />{/if}
    <Key {dark} code={at.code} />
  </span>
{/if}
