<script lang="ts">
  import type { PreviewProps } from '../view';
  import { paragraphsOf } from './sections';

  /** A text to read. */
  let { text }: PreviewProps = $props();
</script>

<div class="max-w-[62ch] space-y-2.5 px-4 py-3 leading-relaxed">
  {#each paragraphsOf(text) as paragraph, nth (nth)}
    <p data-paragraph={nth}>
      {#if paragraph.number}<b>{paragraph.number}</b>{paragraph.text.slice(
          paragraph.number.length,
        )}{:else}{paragraph.text}{/if}
    </p>
  {/each}
</div>
