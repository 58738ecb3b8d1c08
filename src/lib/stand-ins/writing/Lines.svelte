<script lang="ts">
  import type { PreviewProps } from '../view';

  /** Plain text as it stands in the editor, only to be looked at. */
  let { text }: PreviewProps = $props();
  const lines = $derived(text.split('\n'));
</script>

<div class="px-4 py-3 leading-relaxed break-words whitespace-pre-wrap">
  {#each lines as line, nth (nth)}<p class="min-h-lh">{line}</p>{/each}
</div>
