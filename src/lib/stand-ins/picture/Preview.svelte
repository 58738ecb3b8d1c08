<script lang="ts">
  import { pictureFrom } from '../../core/capture/picture';
  import { PICTURE_TEXTS } from '../texts';
  import type { PreviewProps } from '../view';

  /** A picture that is only named. */
  let { document, text }: PreviewProps = $props();
  const picture = $derived(pictureFrom(text));
</script>

{#if picture}
  <div class="flex flex-col gap-1 px-4 py-3">
    <b>{document.title}</b>
    <p class="text-ink-soft">{PICTURE_TEXTS.size(picture.width, picture.height, picture.bytes)}</p>
  </div>
{/if}
