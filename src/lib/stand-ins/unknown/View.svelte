<script lang="ts">
  import type { PreviewProps } from '../view';

  /** A document that no program here shows, or that is not what it says: what it is, and its text. */
  let { document, text, why }: PreviewProps & { why?: string } = $props();
</script>

<div class="px-4 py-3">
  <p class="mb-2 border border-line bg-paper-high px-2 py-1 text-[13px]">
    {why ?? `A document of the kind “${document.kind}”, which no program here shows. This is its text:`}
  </p>
  <pre class="font-mono text-[13px] whitespace-pre-wrap">{text}</pre>
</div>
