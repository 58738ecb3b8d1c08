<script lang="ts">
  import type { Snippet } from 'svelte';

  /** The line at the foot of a program: what it says of itself, and what can be done. */
  let { says, children }: { says: string; children?: Snippet } = $props();
</script>

<div
  class="flex min-h-7 shrink-0 items-center gap-2 border-t border-line-soft bg-sheet px-2 text-xs text-ink-soft"
>
  {@render children?.()}
  <span class="ml-auto truncate">{says}</span>
</div>
