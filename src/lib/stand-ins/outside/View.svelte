<script lang="ts">
  import type { PreviewProps } from '../view';

  /** What a window of a display shows cannot be known here: whose it is, in large letters. */
  let { document }: PreviewProps = $props();
</script>

<div
  class="grid min-h-40 place-content-center px-6 py-10 text-center text-4xl font-[650] text-ink-soft"
  dir="auto"
>
  {document.title}
</div>
