<script lang="ts">
  import type { PreviewProps } from '../view';

  let { text }: PreviewProps = $props();
  const paragraphs = $derived(text.split(/\n\s*\n/));
</script>

<div class="max-w-[62ch] space-y-2.5 px-4 py-3 leading-relaxed">
  {#each paragraphs as paragraph, index (index)}<p>{paragraph}</p>{/each}
</div>
