<script lang="ts">
  import { pageFrom } from '../../core/guests/page';
  import { GUEST_TEXTS } from '../texts';
  import type { PreviewProps } from '../view';

  /** A page that is only looked at, small: where it is, without loading it. */
  let { document, text }: PreviewProps = $props();

  const read = $derived(pageFrom(text));
</script>

{#if 'page' in read}
  <div class="flex flex-col gap-1 px-4 py-3">
    <b>{document.title}</b>
    <p class="font-mono text-[13px] break-all">{read.page.address.href}</p>
    {#if read.page.opening === 'browser-window'}<p class="text-ink-soft">
        {GUEST_TEXTS.asBrowserWindow}
      </p>{/if}
  </div>
{/if}
