<script lang="ts">
  let { label, dark = false }: { label: string; dark?: boolean } = $props();
</script>

<kbd
  class="inline-block min-w-[18px] rounded-[3px] border border-b-2 px-1 text-center font-mono text-[11px]/4 font-semibold
    {dark ? 'border-bar-soft/50 bg-bar-key text-bar-ink' : 'border-line bg-paper-high text-ink'}">{label}</kbd
>
