<script lang="ts">
  import { KEY_MAP, type HeldKey } from '../../core/keys/key-map';
  import { holdKeyOf, type Settings } from '../../core/slices/settings/state';
  import Key from './Key.svelte';

  /** The keys of something that is done while holding, in the order in which they go down. */
  let { settings, held }: { settings: Settings; held: HeldKey } = $props();

  const position = $derived(KEY_MAP[held]);
</script>

<span class="inline-flex gap-1">
  <Key label={holdKeyOf(settings)} />
  {#if position.shift}<Key label="Shift" />{/if}
  <Key code={position.code} />
</span>
