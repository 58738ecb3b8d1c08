<script lang="ts">
  import type { PreviewProps } from '../view';
  import { isFigure } from './figure';
  import { rowsOf } from './rows';

  let { document, text }: PreviewProps = $props();
  const { head, body } = $derived(rowsOf(text));
</script>

<table class="w-full border-collapse text-[13px]">
  <caption class="sr-only">{document.title}</caption>
  <thead>
    <tr class="border-b border-line text-left text-ink-soft">
      {#each head as name, index (index)}<th scope="col" class="px-2.5 py-1 font-semibold">{name}</th>{/each}
    </tr>
  </thead>
  <tbody>
    {#each body as cells, row (row)}
      <tr class="border-b border-line-soft">
        {#each cells as cell, index (index)}
          <td class="px-2.5 py-1 {isFigure(cell) ? 'font-mono whitespace-nowrap' : ''}">{cell}</td>
        {/each}
      </tr>
    {/each}
  </tbody>
</table>
