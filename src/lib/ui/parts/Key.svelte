<script lang="ts">
  import KeyFace from './KeyFace.svelte';

  /** A key's cap: with a label, or that of the key at a position. */
  let { label, code, dark = false }: { label?: string; code?: string; dark?: boolean } = $props();
</script>

<kbd
  class="inline-block key-shaped min-w-[18px] px-1 text-center font-mono text-[11px]/4 whitespace-nowrap
    {dark ? 'border-bar-soft/50 bg-bar-key text-bar-ink' : 'border-line bg-paper-high text-ink'}"
  >{#if code === undefined}{label}{:else}<KeyFace {code} />{/if}</kbd
>
